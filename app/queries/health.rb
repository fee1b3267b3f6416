# What is wrong with a palette, or may be: six checks, each with what it found and what
# can be done about each thing.
class Health
  # @!attribute key [String]
  # @!attribute title [String]
  # @!attribute count [Integer] of what was found
  # @!attribute found [Array<Item>] the first of it, LISTED at most
  # @!attribute unit [String] of its limit
  Check = Struct.new(:key, :title, :count, :found, :unit, keyword_init: true)

  # So many of each check are told. A person mends some and looks again.
  LISTED = 200

  # @!attribute swatches [Array<Swatch>] that it is about
  # @!attribute words [String] what is measured
  # @!attribute mend [Proc, nil] finds the remedy, when somebody looks
  # @!attribute subject [Swatch, Group, nil] what the remedy changes
  Item = Struct.new(:swatches, :words, :mend, :subject, keyword_init: true) do
    # @return [Magpie::Color, nil] the colour that would mend it
    def remedy = @remedy ||= mend&.call
  end

  WEAK = {red: "without red cones", green: "without green cones", blue: "without blue cones"}.freeze

  # @param actor [Actor]
  # @param palette [Palette] with groups and swatches
  def initialize(actor, palette)
    @actor, @palette = actor, palette
    @swatches = palette.groups.flat_map(&:swatches)
    @reach = Reach.of(actor, @swatches.map(&:id))
    @plain = @swatches.reject(&:paint)
    @colours = @plain.map(&:colour)
  end

  # @return [Array<Check>]
  def checks = @checks ||= [twins, unused, outside_press, confusable, contrast, reversals]

  # Those that no place follows or holds, and no tint or ink depends on.
  # @return [Array<Swatch>]
  def never_used = @never_used ||= unfollowed

  private

  def unfollowed
    ids = Follow.of_values.where(swatch_id: @swatches.map(&:id)).distinct.pluck(:swatch_id).to_set
    held = @actor.places.where(hex: @swatches.reject(&:shared).map(&:hex)).distinct.pluck(:hex).to_set
    @swatches.reject { |swatch| @reach.key?(swatch.id) || ids.include?(swatch.id) || (!swatch.shared && held.include?(swatch.hex)) }
  end

  # @yieldparam each [Object] of what was found
  # @yieldreturn [Item]
  def check(key, title, all, unit = nil, &) = Check.new(key:, title:, count: all.size, found: all.first(LISTED).map(&), unit:)

  def twins
    check("twins", "Twins, closer than ΔE #{limit("twins")}", Magpie::Palette::Twins.pairs(@colours, limit: @palette.limit("twins")), "ΔE") do |i, j, difference|
      two = [@plain[i], @plain[j]].sort_by { |swatch| [swatch.shared ? 0 : 1, -@reach.fetch(swatch.id, 0), swatch.id] }
      Item.new(swatches: two, words: "ΔE #{format("%.1f", difference)}, #{two.map { |swatch| @reach.fetch(swatch.id, 0) }.join(" and ")} places")
    end
  end

  def unused
    check("unused", "Never used", never_used) { |swatch| Item.new(swatches: [swatch], words: swatch.shared ? "shared, and nothing follows it" : "loose", subject: swatch) }
  end

  # The print of a colour is inside, so it is what the colour is brought to.
  def outside_press
    check("press", "Outside the press gamut, over ΔE #{limit("press")}", OnPress.new(Condition.usual).outside(@colours, @palette.limit("press")).sort_by { |index, _, difference| [-difference, index] }, "ΔE") do |index, printed, difference|
      Item.new(swatches: [@plain[index]], words: "prints as #{printed.hex}, ΔE #{format("%.1f", difference)}", mend: -> { printed }, subject: @plain[index])
    end
  end

  def confusable
    check("confusable", "Confusable with a colour-vision deficiency", Magpie::Palette::Confusable.pairs(@colours, limit: @palette.limit("confusable")), "ΔE") do |pair|
      Item.new(swatches: [@plain[pair.first], @plain[pair.second]], words: "ΔE #{format("%.1f", pair.plain)}, but #{format("%.1f", pair.seen)} #{WEAK.fetch(pair.kind)}", mend: -> { apart(pair) }, subject: @plain[pair.second])
    end
  end

  def contrast
    low = TextGrounds.new(@actor, @swatches.map(&:id)).pairs.select { |pair| pair.ratio < @palette.limit("contrast") }.sort_by(&:ratio)
    check("contrast", "Text under #{limit("contrast")} : 1 on its ground", low, ": 1") do |pair|
      words = "#{pair.text.part.label} on #{pair.ground.part.label} in #{pair.artwork.name}: #{(pair.ratio * 10).floor / 10.0} : 1"
      text = pair.text.swatch
      adjusted = -> { Magpie::Palette::Readable.adjusted(*pair.colours, limit: @palette.limit("contrast"))&.with(alpha: text.colour.alpha) } if text && !text.paint
      Item.new(swatches: [text || pair.text, pair.ground.swatch || pair.ground], words:, mend: adjusted, subject: text)
    end
  end

  def reversals
    turning = @palette.groups.to_h do |group|
      plain = group.swatches.reject(&:paint)
      [group, Magpie::Palette::Reversals.of(plain.map(&:colour), step: @palette.limit("reversal") / 100.0).map { |index| plain[index] }]
    end
    check("reversal", "Ramps whose lightness turns back", turning.reject { |_, back| back.empty? }.to_a, "%") do |group, back|
      Item.new(swatches: back, words: "#{group.name} turns back at #{Magpie::Text.list(back.map(&:name))}", subject: group)
    end
  end

  def limit(name) = Magpie::Notation::Forms.short(@palette.limit(name), 2)

  # The second of two, so much lighter or darker that the two are told apart.
  def apart(pair)
    one, two = @colours[pair.first], @colours[pair.second]
    lighter = two.in(:oklab)[0] >= one.in(:oklab)[0]
    [lighter ? 1 : -1, lighter ? -1 : 1].product((2..20).step(2).to_a).map { |way, by| Magpie::Palette::Shift.new(lightness: way * by).of(two) }
      .find { |tried| Magpie::Vision::KINDS.all? { |kind| seen_apart?(one, tried, kind) } }
  end

  def seen_apart?(one, two, kind)
    Magpie::Difference.de2000(Magpie::Vision.seen(one, kind), Magpie::Vision.seen(two, kind)) > @palette.limit("confusable")
  end
end
