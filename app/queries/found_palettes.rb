# The palettes of the house in which something is found: by a colour, by words, or all.
class FoundPalettes
  # How near a colour has to be to be found "like this colour" (ΔE00).
  LIKE = 10.0

  # @param actor [Actor]
  # @param words [String] a colour in any notation, or words; empty finds all
  # @param archived [Boolean] whether those that were put away count
  def initialize(actor, words, archived:)
    @actor = actor
    @words = words.to_s.strip[0, 100].downcase
    @colour = Magpie::Notation.try(@words) unless @words.empty?
    @archived = archived
  end

  # @return [Hash{Palette => Array<[Swatch, Float, nil]>}] what was found in each, nearest first, with its ΔE00
  def to_h
    palettes = @actor.palettes.includes(:uses, groups: :swatches).order(Arel.sql("archived_at IS NOT NULL"), :starter, :name).select { |each| @archived || each.archived_at.nil? }
    return palettes.to_h { |each| [each, []] } if @words.empty?
    palettes.to_h { |each| [each, @colour ? like(each) : named(each)] }.select { |each, found| found.any? || (!@colour && told?(each)) }
  end

  private

  def like(palette) = Magpie::Library::Nearest.of(palette.groups.flat_map(&:swatches)).to(@colour, within: LIKE)

  def named(palette)
    palette.groups.flat_map { |group| group.swatches.select { |each| [each.name, each.note, each.code, group.name].compact.any? { |text| text.downcase.include?(@words) } } }.map { |each| [each, nil] }
  end

  def told?(palette) = [palette.name, palette.note, *palette.tags].compact.any? { |text| text.downcase.include?(@words) }
end
