module Places
  module Palettes
    # What Palettes shows: the palettes as one of four views, what is selected, and the
    # panel at the side.
    class Page
      # What is done with a selection in the side panel.
      TASKS = %w[share change ramp rename move text remove blend order].freeze
      # A chip's places are told below it only where there is room.
      NARROW = 60

      attr_reader :desk, :param

      # @param desk [Frame::Desk]
      # @param param [Frame::Asked] of the request
      def initialize(desk, param)
        @desk, @param = desk, param
      end

      def choices = desk.choices

      def view = choices[:view]

      def chip_size = choices[:chip].to_i

      def small? = chip_size < NARROW

      # @return [Array<ShownPalette>]
      def palettes = @palettes ||= desk.shown_palettes.map { |palette| ShownPalette.new(palette, self) }

      # The swatch that the side is about, if it is shown.
      # @return [Swatch, nil]
      def swatch
        return @swatch if defined?(@swatch)
        id = param.id(:swatch)
        @swatch = (desk.actor.swatches.includes(:group).find(id) if desk.shown_chips.any? { |each| each.id == id })
      end

      # @return [String, nil] one of TASKS
      def task = (param[:do] if TASKS.include?(param[:do]))

      # What the task is about; without one, the swatch.
      # @return [Array<Swatch>]
      def chosen = @chosen ||= task ? Selected.of(desk.actor, choices.selected) : [swatch].compact

      def working? = task && chosen.any?

      def selection = chosen.map(&:id).join(",")

      def selection_key = [task, selection].join(":")

      # The values of the task's panel.
      def panel
        @panel ||= case task
        when "share" then Share.new(desk.actor, chosen, param)
        when "remove" then Removal.new(desk.actor, chosen, desk.shown_chips)
        when "change" then Changing.new(desk.actor, chosen, param)
        when "blend" then Blending.new(desk.actor, chosen)
        when "ramp" then Through.new(chosen, param)
        when "text" then AsText.new(chosen, choices)
        end
      end

      # "swatch" or "palette".
      def side = param[:side] || (swatch ? "swatch" : "palette")

      # The palette that the side is about.
      # @return [ShownPalette, nil]
      def palette
        found = ->(id) { palettes.find { |each| each.id == id } }
        found.call(param.id(:palette)) || (swatch && found.call(swatch.group.palette_id)) || palettes.first
      end

      def about_swatch = @about_swatch ||= AboutSwatch.new(param, swatch)

      # @param swatch [Swatch, nil] a gradient or pattern; nil makes a new one
      def inks_of(swatch) = InkForm.new(desk, swatch)

      # The sliders of a shift.
      # @param scope [String, nil] "selection"; nil is the whole palette
      def shift(scope, number) = ShiftForm.new(scope, number, param)

      # Places that follow a swatch.
      def reach_of(id)
        @reach ||= following.group_by(&:first).transform_values { |rows| rows.sum(&:last) }
        @reach.fetch(id, 0)
      end

      # Artworks in which a palette is followed.
      def artworks_of(palette_id)
        @artworks ||= following.group_by { |row| row[1] }.transform_values { |rows| rows.uniq { |row| row[2] }.size }
        @artworks.fetch(palette_id, 0)
      end

      # @return [Array<DrawnOutfit>]
      def outfits_of(palette_id) = outfits.select { |each| each.palette_id == palette_id }

      # Parts that wear an outfit.
      def wearing(id)
        @wearing ||= Outfit.reach(desk.actor, outfits.map(&:id))
        @wearing.fetch(id, 0)
      end

      private

      def outfits = @outfits ||= DrawnOutfit.of(desk.shown_palettes)

      def following = @following ||= Reach.in_palettes(desk.actor, desk.shown_palettes)
    end
  end
end
