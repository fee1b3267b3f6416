# How parts of an artwork are drawn: what is set of them, and what their file says else.
class PartSettings
  # @param artwork [Artwork]
  # @param numbers [Array<Integer>] of parts
  def initialize(artwork, numbers)
    @artwork, @numbers = artwork, numbers
  end

  # @return [Hash{Symbol => Object}] what they have in common, :mixed where they differ
  def common
    found = all.values
    Magpie::Artwork::Settings.members.to_h { |name| [name, (found.map { |each| each[name] }.uniq.size > 1) ? :mixed : found.first&.[](name)] }
  end

  # @return [Hash{String => Magpie::Artwork::Settings}] by key, nothing left out
  def all = @all ||= rows.to_h { |key, *set| [key, settings(key, set.compact.map { |each| JSON.parse(each) }.reduce({}, :merge))] }

  # Does one of them enclose something, and has one ends?
  # @return [Array<Symbol>] of :closed and :open
  def ends = EndsOfParts.of(@artwork.template).values_at(*rows.map(&:first)).compact.uniq

  # Is anything set of them?
  def set? = rows.any? { |_, *set| set.any? }

  private

  def settings(key, set)
    file = SettingsOfDrawings.of(@artwork.template)[key] || Magpie::Artwork::Settings::USUAL
    Magpie::Artwork::Settings.new(**file.to_h, **set.transform_keys(&:to_sym))
  end

  # [key, of the line, of the part]
  def rows
    @rows ||= Record.connection.select_rows(<<~SQL)
      SELECT parts.key, line.settings, fill.settings FROM parts
      LEFT JOIN places line ON line.part_id = parts.id AND line.role = 'line' AND #{@artwork.shows("line")}
      LEFT JOIN places fill ON fill.part_id = parts.id AND fill.role = 'fill' AND #{@artwork.shows("fill")}
      WHERE parts.artwork_id = #{Integer(@artwork.drawn_id)} AND parts.kind = 'part' AND parts.position = ANY(#{Record.array(@numbers)})
    SQL
  end
end
