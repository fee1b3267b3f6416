# What of a file meets something that a palette has already, and what a newer version of a
# file adds, changes and lacks. Each is settled by a choice.
class Meetings
  # Of swatches: keep ours, take theirs, keep both. Of what the newer version lacks: keep it, remove it.
  CHOICES = {"ours" => "Keep ours", "theirs" => "Take theirs", "both" => "Keep both"}.freeze
  GONE = {"ours" => "Keep it", "theirs" => "Remove it"}.freeze
  SAME = 0.05 # ΔE00 of what is one value, written in two ways

  # @!attribute key [String] "group.swatch" of the file; "gone.id" of what it lacks
  # @!attribute kind [Symbol] :name, other value; :value, other name; :gone
  # @!attribute ours [Swatch, Entry]
  # @!attribute theirs [Magpie::Palette::Swatch, nil]
  # @!attribute group [Magpie::Palette::Group, nil] theirs
  # @!attribute usual [String] one of the choices
  # @!attribute edited [Boolean, nil] is ours another than what came in before?
  Meeting = Struct.new(:key, :kind, :ours, :theirs, :group, :usual, :edited, keyword_init: true) do
    # ΔE00; nil where there is nothing to compare.
    def difference = theirs && Magpie::Difference.de2000(ours.colour, theirs.colour)

    def choices = (kind == :gone) ? self.class::GONE : self.class::CHOICES
  end
  Meeting::GONE, Meeting::CHOICES = GONE, CHOICES

  # @return [Array<Meeting>]
  attr_reader :all
  # @return [Integer] swatches that are new
  attr_reader :added
  # @return [Hash{String => Swatch, Entry}] ours that is as theirs is already, by the key of theirs
  attr_reader :same

  # @param value [Magpie::Palette] of the file
  # @param palette [Palette, Library, nil] that it is to come into
  # @param before [Magpie::Palette, nil] what came in of an older version
  def initialize(value, palette, before: nil)
    @value, @library = value, palette.is_a?(Library)
    @before = before && by_known(pairs(before))
    @ours = palette ? palette.by_groups : []
    @in_group = by_known(@ours)
    @known = value.addressed.map { |address, _| address.join(".") }.zip(known(pairs(value))).to_h
    @named = @ours.group_by { |_, swatch| swatch.name.downcase }
    @valued = @ours.group_by { |_, swatch| swatch.hex }
    @added, @same = 0, {}
    @all = @ours.any? ? meet + gone : [].tap { @added = value.swatches.size }
  end

  # By key, for Changes::BringInPalette.
  def to_h = @to_h ||= all.to_h { |meeting| [meeting.key, meeting] }

  # @param key [String] of theirs, as of a meeting
  # @return [Magpie::Palette::Swatch, nil] what came in of it before
  def before(key) = @before && @before[@known[key]]

  # Are they one value, however it is written?
  # @param ours [Swatch, Entry, Magpie::Palette::Swatch]
  # @param theirs [Swatch, Entry, Magpie::Palette::Swatch]
  def alike?(ours, theirs)
    one, two = [ours, theirs].map { |each| each.respond_to?(:compound) ? each.compound : each.paint }
    return one.to_h == two.to_h if one || two
    ours.colour == theirs.colour || (ours.colour.alpha - theirs.colour.alpha).abs < 0.002 && Magpie::Difference.de2000(ours.colour, theirs.colour) < SAME
  end

  private

  # Of a library, codes are what stays, and which it is of several that have one; of a
  # palette names are, in their groups, where no two have one.
  def known_by(group, swatch) = (@library && swatch.code) ? swatch.code.downcase : [group.to_s.downcase, swatch.name.downcase]

  # @param pairs [Array<[String, Object]>] names of groups and what is in them
  # @return [Array] what each is known by
  def known(pairs)
    seen = Hash.new(0)
    pairs.map { |group, swatch| known_by(group, swatch).then { |by| @library ? [by, seen[by] += 1] : by } }
  end

  def by_known(pairs) = known(pairs).zip(pairs.map(&:last)).to_h

  def pairs(value)
    value.groups.flat_map do |group|
      name = @library ? Magpie::Library.section(value, group) : group.name
      group.swatches.map { |swatch| [name, swatch] }
    end
  end

  def meet
    hexes = Magpie::Screen.hexes(@value.swatches.map(&:colour)).each
    @value.groups.each_with_index.flat_map do |group, g|
      group.swatches.each_with_index.filter_map { |theirs, s| meeting("#{g}.#{s}", group, theirs, hexes.next) }
    end
  end

  def meeting(key, group, theirs, hex)
    ours = same_name(key, theirs)
    if ours && alike?(ours, theirs)
      @same[key] = ours
      return
    end
    return by_name(key, group, theirs, ours) if ours
    twin = @valued[hex]&.map(&:last)&.find { |each| alike?(each, theirs) } unless @library # where many may look alike
    return Meeting.new(key:, kind: :value, ours: twin, theirs:, group:, usual: "both") if twin
    @added += 1
    nil
  end

  # In the group of the same name, or where it is the only one.
  def same_name(key, theirs)
    name = theirs.name.downcase
    @in_group[@known[key]] || (@named[name]&.then { |found| found[0][1] if found.size == 1 } unless name.empty? || @library)
  end

  # What nobody touched since it came in goes along with the newer version.
  def by_name(key, group, theirs, ours)
    was = before(key)
    if was && alike?(was, theirs) # which was settled when it came in
      @same[key] = ours
      return
    end
    edited = was && !alike?(ours, was)
    Meeting.new(key:, kind: :name, ours:, theirs:, group:, usual: (was && !edited) ? "theirs" : "ours", edited:)
  end

  def gone
    return [] unless @before
    (@before.keys - @known.values).filter_map { |name| @in_group[name]&.then { |ours| Meeting.new(key: "gone.#{ours.id}", kind: :gone, ours:, usual: "ours") } }
  end
end
