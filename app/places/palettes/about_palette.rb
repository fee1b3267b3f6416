require "forwardable"

module Places
  module Palettes
    # One palette of the house: where it is used, and the others that it can be brought
    # into.
    class AboutPalette
      extend Forwardable

      def_delegators :@palette, :id, :name, :note, :tags, :groups, :starter, :archived_at

      # @param palette [Palette] with groups and swatches
      # @param desk [Frame::Desk]
      def initialize(palette, desk)
        @palette, @desk = palette, desk
      end

      def tags_in_words = tags.join(", ")

      # {project name => {artwork name => places}}
      def use = @use ||= PaletteUse.of(@desk.actor, @palette)

      def places = use.values.sum { |artworks| artworks.values.sum }

      # Names of the projects that have it on their shelf.
      def users = @palette.projects.map(&:name)

      def size = groups.sum { |group| group.swatches.size }

      # The project's own first, what comes with every project last.
      # @return [Array<Palette>]
      def others
        @others ||= @desk.actor.palettes.standing.where.not(id:).order(:name)
          .sort_by.with_index { |each, index| [@desk.palettes.include?(each) ? 0 : 1, each.starter ? 1 : 0, index] }
      end
    end
  end
end
