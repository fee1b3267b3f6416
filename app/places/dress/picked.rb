module Places
  module Dress
    # The parts that are picked, and what they have in common.
    class Picked
      TITLES = {"fill" => "Fill", "line" => "Line", "stop" => "Stops"}.freeze
      # What a fill or line can be.
      KINDS = {"plain" => "Plain", "gradient" => "Gradient", "pattern" => "Pattern", "none" => "None"}.freeze

      # What is painted alike.
      Held = Struct.new(:role, :swatch_id, :kind, :hex, :reference, :opacity, :outfit_id, :made, :places, :first) do
        # What tells it from others, besides how opaque it is and what is worn.
        def alike = [swatch_id, kind, hex, reference, made]
      end

      # One role of them all.
      # @!attribute name [String]
      # @!attribute shown [String, nil] what the drop shape shows, as CSS; nil for nothing
      # @!attribute detail [String] what it wears, or whether it follows
      # @!attribute opacity [Integer, nil] per cent; nil where they differ
      # @!attribute mixed [Boolean] do they hold different things?
      # @!attribute kind [String, nil] of KINDS; nil where they differ
      Paint = Struct.new(:role, :title, :name, :shown, :detail, :opacity, :mixed, :kind, keyword_init: true) do
        def shape = (role == "line") ? "line" : "fill"

        def painted? = mixed || !shown.nil?
      end

      # @return [Integer] how many there are
      attr_reader :size

      # @param artwork [Artwork]
      # @param numbers [Array<Integer>] of parts
      def initialize(artwork, numbers)
        @artwork, @numbers = artwork, numbers
        @size = artwork.parts.where(among).count
      end

      # As a sentence names them.
      def label = (size == 1) ? artwork.parts.where(among).pick(:label) : Magpie::Text.count(size, "part")

      # In a sentence, for who does not see it.
      def say = "#{label}: #{paints.map { |paint| "#{paint.title.downcase} #{paint.name}" }.join(", ")}"

      # Does any of them differ from the first colourway?
      def differs? = artwork.colourway? && Place.exists?(artwork_id: artwork.id, part_id: artwork.parts.where(among).reorder(nil).select(:id))

      # The outfits that are worn, and by how many of their fills and lines.
      # @return [Hash{Outfit => Integer}] most first
      def outfits
        @outfits ||= begin
          worn = by_role.values.flatten.select(&:outfit_id).group_by(&:outfit_id).transform_values { |held| held.sum(&:places) }
          found = worn.empty? ? {} : Outfit.where(id: worn.keys).index_by(&:id)
          worn.sort_by { |id, places| [-places, id] }.filter_map { |id, places| [found[id], places] if found[id] }.to_h # one may go meanwhile
        end
      end

      # Do they all wear it, and wholly?
      def wears?(id) = outfits.any? { |outfit, places| outfit.id == id && places == 2 * size }

      # By how much the swatch is tinted that one role follows, 100 where it is no tint.
      # @return [Integer, nil] nil where they follow none, or several
      def tint(role)
        swatches = by_role[role].to_a.map(&:swatch_id).uniq
        return unless swatches.size == 1 && swatches.first
        chip = Chip.of(swatches)[swatches.first]
        chip.paint_json ? nil : (chip.tint || 100).round
      end

      # @return [Setting]
      def setting = @setting ||= Setting.new(PartSettings.new(artwork, @numbers))

      # @return [Array<Paint>]
      def paints = @paints ||= TITLES.filter_map { |role, title| (held = by_role[role]) && paint(role, title, held) }

      # The gradient or pattern that one role of them holds.
      # @return [EditedPaint, nil] nil where they hold none, or different ones
      def edited(role)
        @edited ||= Hash.new { |known, each| known[each] = by_role[each].to_a.then { |held| edited_of(held) if held.map(&:alike).uniq.size == 1 } }
        @edited[role]
      end

      private

      attr_reader :artwork

      def among = "position = ANY(#{Record.array(@numbers)})"

      def by_role
        @by_role ||= Record.connection.select_rows(<<~SQL).map { |row| Held.new(*row) }.group_by(&:role)
          SELECT p.role, f.swatch_id, p.kind, p.hex, p.reference, p.opacity, p.outfit_id, CASE WHEN p.paint IS NOT NULL THEN md5(concat(p.paint, #{Place.ties("p")})) END, count(*), min(p.id)
          FROM parts JOIN places p ON p.part_id = parts.id AND #{artwork.shows} LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL
          WHERE parts.artwork_id = #{Integer(artwork.drawn_id)} AND parts.#{among} GROUP BY 1, 2, 3, 4, 5, 6, 7, 8 ORDER BY 9 DESC, 10
        SQL
      end

      # @param held [Array<Held>] the different ones, most first
      def paint(role, title, held)
        first, different = held.first, held.uniq(&:alike).size
        mixed = different > 1
        return Paint.new(role:, title:, name: "Mixed", detail: "#{different} different", opacity: opacity(held), mixed:) if mixed
        Paint.new(role:, title:, mixed:, kind: kind(first), name: swatch(first)&.name || own(first)[0], shown: swatch(first)&.css || own(first)[1], detail: detail(held), opacity: opacity(held))
      end

      def edited_of(held)
        first = held.first
        return EditedPaint.of(artwork, first.first, detail(held)) if first.kind == "compound" || swatch(first)&.paint_json
        EditedFileGradient.of(artwork, first.first, @numbers) if first.kind == "reference" && first.role != "stop"
      end

      def kind(held)
        case held.kind
        when "none" then "none"
        when "compound" then kind_of(edited(held.role).paint)
        when "reference" then FileGradients.of(artwork.template)[held.reference] ? "gradient" : "pattern"
        else swatch(held)&.paint ? kind_of(swatch(held).paint) : "plain"
        end
      end

      def kind_of(paint) = paint.gradient? ? "gradient" : "pattern"

      # Of many, the database says the first.
      def swatch(held) = held.swatch_id && (@chips ||= {})[held.swatch_id] ||= Chip.of([held.swatch_id])[held.swatch_id]

      # [what it is called, as CSS]
      def own(held)
        case held.kind
        when "none" then ["None", nil]
        when "colour" then [held.hex, held.hex]
        when "compound" then edited(held.role).paint.then { |paint| [paint.gradient? ? "Gradient" : "Pattern", ::Page::Background.of(paint)] }
        else ["Gradient or pattern of the file", "repeating-linear-gradient(45deg,#8c8c8c 0 4px,#5c5c5c 4px 8px)"]
        end
      end

      # "wears Brass ring", or "shared" where it follows a swatch.
      def detail(held)
        worn = outfits.keys.find { |outfit| held.all? { |each| each.outfit_id == outfit.id } }
        return "wears #{worn.name}" if worn
        return "" if held.first.kind == "none"
        held.first.swatch_id ? "shared" : "stray"
      end

      # Per cent, nil where they differ or nothing is painted.
      def opacity(held)
        opacities = held.reject { |each| each.kind == "none" }.map { |each| (each.opacity * 100).round }.uniq
        opacities.first if opacities.size == 1
      end
    end
  end
end
