# Remarks on finds that ought to agree and do not: the same name for different
# colours, and a swatch whose picture was darker or more tinted than those that its
# siblings came from.
class Consistency
  # ΔE00 above which two finds of one name differ.
  DIFFERENT = 3.0
  # OKLab lightness and cast by which a picture is unlike the others.
  DARKER = 0.15
  MORE_TINTED = 0.05
  # Of many finds of one name, so many are compared: those farthest from the middle.
  COMPARED = 6

  # @!attribute find_id [Integer] the one to look at
  # @!attribute words [String]
  Remark = Struct.new(:find_id, :words)

  # A find, without its record: there may be thousands.
  # @!attribute json [String] its colour
  Taken = Struct.new(:id, :name, :named, :json, :source_id, :artwork_id) do
    def lab = @lab ||= Magpie::Color.from_h(JSON.parse(json)).in(:lab)
  end

  # @param project [Project]
  # @param runs [Hash{Group => Array<Chip>}]
  # @param sources [Array<Source>] of the project, also those that were removed
  def initialize(project, runs, sources)
    @runs, @sources = runs, sources.index_by(&:id)
    @finds = Record.connection.select_rows(<<~SQL).map { |row| Taken.new(*row) }
      SELECT id, name, named, CASE chosen WHEN 'most_common' THEN most_common ELSE average END, source_id, artwork_id
      FROM finds WHERE project_id = #{Integer(project.id)} AND removed_at IS NULL ORDER BY id DESC
    SQL
  end

  # @return [Array<Remark>]
  def remarks = same_names + unlike_siblings

  private

  def by_id = @by_id ||= @finds.index_by(&:id)

  # Finds by the names that people gave: to the find itself, or to the swatch it became.
  # @return [Hash{String => Array<[String, Taken]>}]
  def given
    kept = @runs.values.flatten(1).filter_map { |swatch| [swatch.name, by_id[swatch.find_id]] if by_id.key?(swatch.find_id) }
    (kept + @finds.select(&:named).map { |find| [find.name, find] }).group_by { |name, _| name.downcase }
  end

  def same_names
    given.values.filter_map do |pairs|
      finds = outermost(pairs.map(&:last).uniq(&:id))
      one, two, difference = finds.combination(2).map { |a, b| [a, b, Magpie::Difference::Ciede2000.of(a.lab, b.lab)] }.max_by(&:last)
      next unless two && difference > DIFFERENT
      Remark.new(two.id, "Two finds called “#{pairs[0][0]}” differ by ΔE #{format("%.1f", difference)}#{because(one, two)}")
    end
  end

  # Those among which the two are that differ most.
  def outermost(finds)
    return finds if finds.size <= COMPARED
    middle = finds.map(&:lab).transpose.map { |values| values.sum / values.size }
    finds.max_by(COMPARED) { |find| find.lab.zip(middle).sum { |value, mean| (value - mean)**2 } }
  end

  def because(one, two)
    readable = [one, two].map { |find| sources[find.source_id] || (Artwork.find_by(id: find.artwork_id) if find.artwork_id) }
    return ". Both are from #{readable.first.name}" if readable.first && readable.uniq.size == 1
    tones = [one, two].map { |find| tone(find) }
    return unless tones.all?
    ": #{readable.zip(tones).map { |from, tone| "#{from.name} is #{tone.words}" }.join("; ")}"
  end

  def unlike_siblings
    @runs.flat_map do |group, chips|
      pairs = chips.filter_map { |swatch| (find = by_id[swatch.find_id]) && tone(find) && [swatch, find] }
      by_source = pairs.group_by { |_, find| find.source_id }
      (by_source.size < 2) ? [] : by_source.flat_map { |source_id, some| unlike(group, some, by_source.except(source_id)) }
    end
  end

  # Those of one picture, beside those of others.
  # @param pairs [Array<[Chip, Taken]>]
  # @param others [Hash{Integer => Array<[Chip, Taken]>}] by source
  def unlike(group, pairs, others)
    return [] if others.values.sum(&:size) < pairs.size # they are with most of them
    find = pairs.first.last
    lightness, cast = tone(find).from(middle(others.values.flat_map { |some| [tone(some.first.last)] * some.size }))
    how = [("darker" if lightness < -DARKER), ("lighter" if lightness > DARKER), ("more tinted" if cast > MORE_TINTED)].compact
    return [] if how.empty?
    pairs.map { |swatch, each| Remark.new(each.id, "#{swatch.name} came from #{sources[find.source_id].name}, a picture that is #{how.join(" and ")} than those of the others in #{group.name}") }
  end

  def middle(tones)
    median = ->(values) { values.sort[values.size / 2] }
    Magpie::Picture::Tone.new(lightness: median.call(tones.map(&:lightness)), cast: (0..1).map { |axis| median.call(tones.map { |tone| tone.cast[axis] }) })
  end

  attr_reader :sources

  def tone(find) = (@tones ||= Hash.new { |known, id| known[id] = sources[id] && Seen.new(sources[id]).tone })[find.source_id]
end
