# Remarks on finds that ought to agree and do not: the same name for different
# colours, and a swatch whose picture was darker or more tinted than those that its
# siblings came from.
class Consistency
  # ΔE00 above which two finds of one name differ.
  DIFFERENT = 3.0
  # OKLab lightness and cast by which a picture is unlike the others.
  DARKER = 0.15
  MORE_TINTED = 0.05

  # @!attribute find [Find] the one to look at
  # @!attribute words [String]
  Remark = Struct.new(:find, :words)

  # @param project [Project]
  # @param runs [Hash{Group => Array<Chip>}]
  def initialize(project, runs)
    @finds = project.finds.includes(:source, :artwork).to_a
    @runs = runs
  end

  # @return [Array<Remark>]
  def remarks = same_names + unlike_siblings

  private

  # Names that people gave: to the find itself, or to the swatch it became.
  def given
    by_id = @finds.index_by(&:id)
    kept = @runs.values.flatten(1).filter_map { |swatch| [swatch.name, by_id[swatch.find_id]] if by_id[swatch.find_id] }
    (kept + @finds.select(&:named).map { |find| [find.name, find] }).uniq.group_by { |name, _| name.downcase }.values
  end

  def same_names
    given.filter_map do |pairs|
      finds = pairs.map(&:last).uniq
      one, two = finds.combination(2).max_by { |a, b| Magpie::Difference.de2000(a.colour, b.colour) }
      next unless two
      difference = Magpie::Difference.de2000(one.colour, two.colour)
      next unless difference > DIFFERENT
      Remark.new(two, "Two finds called “#{pairs[0][0]}” differ by ΔE #{format("%.1f", difference)}#{because(one, two)}")
    end
  end

  def because(one, two)
    return ". Both are from #{one.readable.name}" if one.readable && one.readable == two.readable
    tones = [one, two].map { |find| tone(find) }
    return unless tones.all?
    ": #{[one, two].zip(tones).map { |find, tone| "#{find.readable.name} is #{tone.words}" }.join("; ")}"
  end

  def unlike_siblings
    @runs.flat_map do |group, chips|
      pairs = chips.filter_map { |swatch| (find = @finds.find { |each| each.id == swatch.find_id }) && tone(find) && [swatch, find] }
      next [] if pairs.map { |_, find| find.source_id }.uniq.size < 2
      pairs.filter_map { |swatch, find| remark(group, swatch, find, pairs.map(&:last)) }
    end
  end

  def remark(group, swatch, find, finds)
    others = finds.reject { |each| each.source_id == find.source_id }
    return if others.size * 2 < finds.size # it is with most of them
    lightness, cast = tone(find).from(middle(others.map { |each| tone(each) }))
    how = [("darker" if lightness < -DARKER), ("lighter" if lightness > DARKER), ("more tinted" if cast > MORE_TINTED)].compact
    Remark.new(find, "#{swatch.name} came from #{find.source.name}, a picture that is #{how.join(" and ")} than those of the others in #{group.name}") if how.any?
  end

  def middle(tones)
    median = ->(values) { values.sort[values.size / 2] }
    Magpie::Picture::Tone.new(lightness: median.call(tones.map(&:lightness)), cast: (0..1).map { |axis| median.call(tones.map { |tone| tone.cast[axis] }) })
  end

  def tone(find) = (@tones ||= {})[find.source_id] ||= (Seen.new(find.source).tone if find.source)
end
