module Magpie
  module Formats
    # What of a palette is read again of a file of some format, told from what that
    # declares: what it does not carry is empty, colours and names are what it makes of
    # them. Files name a palette after themselves where they cannot hold its name.
    class Carried
      # What a palette can have, by what holds it. Whatever is here is compared for the
      # list of losses, and drawn at random in the specs of every format.
      OF_PALETTE = {palette_name: :name, palette_note: :note, condition: :condition, licence: :licence}.freeze
      OF_SWATCH = {names: :name, shared: :shared, notes: :note, definitions: :definition, codes: :code, libraries: :library, spots: :kind, tints: :tint, spectra: :spectrum, inks: :inks, pages: :page, positions: :position}.freeze
      # equal_groups: two of one name; opacity: of colours; gradients, patterns: as they are;
      # links: what inks of them follow.
      # stop_opacity: of an ink, beside that of its colour.
      OTHERS = %i[groups group_notes empty_groups equal_groups opacity gradients patterns links stop_opacity].freeze
      FEATURES = [*OF_PALETTE.keys, *OF_SWATCH.keys, *OTHERS].freeze

      # @param format [Class]
      # @param options [Hash]
      def initialize(format, options)
        @format, @options = format, options
        @carries = format.carries(options).to_h { |feature| [feature, true] }
        unknown = @carries.keys - FEATURES
        raise "#{format} carries #{unknown}, which no palette has" if unknown.any?
      end

      # @param palette [Palette]
      # @return [Palette]
      def of(palette)
        groups = palette.groups.each_with_index.map { |group, g| [group(group), group.swatches.each_with_index.map { |swatch, s| [[g, s], swatch(swatch)] }] }
        Palette::Rearranged.of(bare(palette), arranged(groups))
      end

      # The swatches of a palette in the order in which they are read again.
      # @return [Array<Palette::Swatch>]
      def order(palette) = arranged(palette.groups.map { |group| [group(group), group.swatches] }).flat_map(&:last)

      private

      def arranged(groups)
        groups = [[Palette::Group.new(name: nil), groups.flat_map(&:last)]] unless @carries[:groups]
        groups = groups.reject { |_, pieces| pieces.empty? } unless @carries[:empty_groups]
        groups = groups.group_by { |group, _| group.name }.values.map { |alike| [alike[0][0], alike.flat_map(&:last)] } unless @carries[:equal_groups]
        groups
      end

      def bare(palette)
        Palette.new(**OF_PALETTE.to_h { |feature, member| [member, (palette[member] if @carries[feature])] }).tap do |bare|
          bare.name &&= @format.name(bare.name, @options)
          bare.note = text(bare.note)
        end
      end

      def group(group) = Palette::Group.new(name: @format.name(group.name, @options), note: (text(group.note) if @carries[:group_notes]))

      def text(text) = text && @format.text(text, @options)

      def swatch(swatch)
        held = OF_SWATCH.to_h { |feature, member| [member, (swatch[member] if @carries[feature])] }
        compound = compound(swatch.compound)
        made = Palette::Swatch.new(**held, compound:, colour: compound ? compound.colour : colour(swatch.colour))
        made.note = text(made.note)
        made.name = @carries[:names] ? @format.name(made.name, @options) : ""
        made.inks = @format.inks(swatch, chosen) if @carries[:inks]
        made
      end

      def chosen = @options

      def compound(compound)
        return unless compound && @carries[compound.gradient? ? :gradients : :patterns] && !compound.tile&.own?
        # What says nothing of such a form: a repeat of a gradient, an angle of what is round.
        angle = %w[round radial].include?(compound.form) ? 0.0 : compound.angle % 360
        return compound.with(angle:, inks: compound.inks.map { |ink| ink(ink) }) unless compound.gradient?
        compound.with(angle:, size: Palette::Compound::SIZE, extent: @format.extent(compound), inks: @format.stops(compound.inks.values_at(*compound.order).map { |ink| ink(ink) }))
      end

      # An opacity that has no place of its own goes with the colour, and what was followed
      # is not that colour any more.
      def ink(ink)
        ink = ink.with(colour: ink.shown, opacity: 1.0, reference: (ink.reference if ink.opacity == 1)) unless @carries[:stop_opacity]
        ink.with(colour: colour(ink.colour), reference: (ink.reference if @carries[:links]))
      end

      def colour(colour) = @format.colour((@carries[:opacity] || colour.opaque?) ? colour : colour.with(alpha: 1), @options)
    end
  end
end
