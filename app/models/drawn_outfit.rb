require "json"

# An outfit as pages draw it: a small square of its fill within its line.
class DrawnOutfit
  # One role of it.
  # @!attribute hex [String, nil] of its colour, or of the one that stands for a gradient or pattern
  # @!attribute compound [Magpie::Palette::Compound, nil] of a gradient or pattern
  Side = Struct.new(:kind, :hex, :opacity, :set, :swatch_id, :compound) do
    # As CSS has it.
    def css
      return "none" if kind == "none"
      (swatch_id && !compound) ? Page::Painter.property(swatch_id, hex) : hex
    end

    # As CSS and SVG have it.
    # @return [Hash{String => String}]
    def properties(role) = settings.properties(role)

    def settings = Magpie::Artwork::Settings.kept(JSON.parse(set || "{}"))

    # @return [Magpie::Artwork::Paint]
    def paint
      return Magpie::Artwork::Paint.none if kind == "none"
      Magpie::Artwork::Paint.new(kind: compound ? :compound : :plain, compound:, colour: (Magpie::Notation.parse(hex) unless compound), opacity:)
    end
  end

  PAINTS = Swatch::PaintType.new
  WIDEST = 5.0 # of the line, in the small square

  # @param palettes [Array<Palette>]
  # @return [Array<DrawnOutfit>] in their order
  def self.of(palettes) = palettes.empty? ? [] : where("o.palette_id", palettes.map(&:id))

  # @param ids [Array<Integer>] of outfits
  # @return [Array<DrawnOutfit>]
  def self.with(ids) = ids.empty? ? [] : where("o.id", ids)

  def self.where(column, ids)
    rows = Record.connection.select_rows(<<~SQL)
      SELECT o.id, o.palette_id, o.name, o.edition, p.role, p.kind, COALESCE(s.hex, p.hex), p.opacity, p.settings, f.swatch_id, COALESCE(s.paint, p.paint)
      FROM outfits o JOIN places p ON p.outfit_id = o.id AND p.artwork_id IS NULL
      LEFT JOIN follows f ON f.place_id = p.id AND f.ink IS NULL LEFT JOIN swatches s ON s.id = f.swatch_id
      WHERE #{column} = ANY(#{Record.array(ids)}) ORDER BY array_position(#{Record.array(ids)}, #{column}), o.position, o.id
    SQL
    rows.group_by(&:first).map { |id, sides| new(id, *sides.first[1..3], sides.to_h { |row| [row[4], side(*row.drop(5))] }) }
  end

  def self.side(kind, hex, opacity, set, swatch_id, paint)
    compound = paint && PAINTS.deserialize(paint)
    Side.new(kind, compound ? compound.colour.hex : hex, opacity, set, swatch_id, compound)
  end
  private_class_method :where, :side

  attr_reader :id, :palette_id, :name, :edition

  # @param sides [Hash{String => Side}] by role
  def initialize(id, palette_id, name, edition, sides)
    @id, @palette_id, @name, @edition, @sides = id, palette_id, name, edition, sides
  end

  # As swaps have it, see Swapped.
  def key = "o#{id}"

  def fill = @sides.fetch("fill")

  def line = @sides.fetch("line")

  # The small square.
  # @return [String] CSS
  def css
    drawn = line.properties("line")
    width = line.set && drawn["stroke-width"].to_f.clamp(1.5, WIDEST)
    dash = "3 2" unless [nil, "none"].include?(drawn["stroke-dasharray"])
    written("fill" => fill.css, "fill-opacity" => fill.opacity, "stroke" => line.css, "stroke-opacity" => line.opacity, "stroke-width" => width, "stroke-dasharray" => dash, "opacity" => fill.properties("fill")["opacity"])
  end

  # A picture of itself, where a square in its colours would not show it.
  # @return [String, nil] CSS
  def picture
    settings = Magpie::Artwork::Settings.kept(@sides.values.map { |side| side.settings.to_h.compact }.reduce({}, :merge))
    Page::OutfitPicture.new(@sides.transform_values(&:paint), settings).css if settings.built? || @sides.values.any?(&:compound)
  end

  # What a part is given at once that comes to wear it. Gradients and patterns come with
  # the answer.
  # @return [String] JSON: attributes, and properties as CSS
  def shown_at_once
    attributes = {"fill" => fill, "stroke" => line}.reject { |_, side| side.compound }.flat_map { |name, side| [[name, side.css], ["#{name}-opacity", side.opacity]] }.to_h
    JSON.generate(attributes:, style: written({**line.properties("line"), **fill.properties("fill")}))
  end

  # In words, for those who do not see the square.
  def title = "#{name}: #{sides_in_words}"

  private

  def sides_in_words = {"fill" => fill, "line" => line}.map { |role, side| (side.kind == "none") ? "no #{role}" : "#{role} #{side.hex}" }.join(", ")

  def written(properties) = properties.compact.map { |name, value| "#{name}:#{value}" }.join(";")
end
