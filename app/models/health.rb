# What is wrong with a palette, or may be: six checks, each with what it found and what
# can be done about each thing.
class Health
  # @!attribute key [String]
  # @!attribute title [String]
  # @!attribute found [Array<Item>]
  # @!attribute unit [String] of its limit
  Check = Struct.new(:key, :title, :found, :unit, keyword_init: true)

  # @!attribute swatches [Array<Swatch>] that it is about
  # @!attribute words [String] what is measured
  # @!attribute mend [Proc, nil] finds the remedy, when somebody looks
  # @!attribute subject [Swatch, Group, nil] what the remedy changes
  Item = Struct.new(:swatches, :words, :mend, :subject, keyword_init: true) do
    # @return [Magpie::Color, nil] the colour that would mend it
    def remedy = @remedy ||= mend&.call
  end

  WEAK = {red: "without red cones", green: "without green cones", blue: "without blue cones"}.freeze

  # @param palette [Palette] with groups and swatches
  # @param reach [Hash{Integer => Integer}] places by swatch
  def initialize(palette, reach)
    @palette, @reach = palette, reach
    @swatches = palette.groups.flat_map(&:swatches)
    @plain = @swatches.reject(&:paint)
    @colours = @plain.map(&:colour)
  end

  # @return [Array<Check>]
  def checks
    [Check.new(key: "twins", title: "Twins, closer than ΔE #{limit("twins")}", found: twins, unit: "ΔE"),
      Check.new(key: "unused", title: "Never used", found: unused),
      Check.new(key: "press", title: "Outside the press gamut, over ΔE #{limit("press")}", found: outside_press, unit: "ΔE"),
      Check.new(key: "confusable", title: "Confusable with a colour-vision deficiency", found: confusable, unit: "ΔE"),
      Check.new(key: "contrast", title: "Text under #{limit("contrast")} : 1 on its ground", found: contrast, unit: ": 1"),
      Check.new(key: "reversal", title: "Ramps whose lightness turns back", found: reversals, unit: "%")]
  end

  def twins
    Magpie::Palette::Twins.pairs(@colours, limit: @palette.limit("twins")).map do |i, j, difference|
      two = [@plain[i], @plain[j]].sort_by { |swatch| [swatch.shared ? 0 : 1, -@reach.fetch(swatch.id, 0), swatch.id] }
      Item.new(swatches: two, words: "ΔE #{format("%.1f", difference)}, #{two.map { |swatch| @reach.fetch(swatch.id, 0) }.join(" and ")} places")
    end
  end

  def unused
    ids = (Swatch.where(tint_of_id: @swatches.map(&:id)).pluck(:tint_of_id) + inks).to_set
    held = Place.stray.where(hex: @swatches.reject(&:shared).map(&:hex)).distinct.pluck(:hex).to_set
    @swatches.reject { |swatch| @reach.key?(swatch.id) || ids.include?(swatch.id) || (!swatch.shared && held.include?(swatch.hex)) }.map { |swatch| Item.new(swatches: [swatch], words: swatch.shared ? "shared, and nothing follows it" : "loose", subject: swatch) }
  end

  # The print of a colour is inside, so it is what the colour is brought to.
  def outside_press
    @plain.filter_map do |swatch|
      proof = Magpie::Picture::Press.proof(swatch.colour)
      next if proof[:de2000] <= @palette.limit("press")
      printed = Magpie::Color.new(:lab, Magpie::Picture::Press.to_lab(proof[:inks]), swatch.colour.alpha)
      Item.new(swatches: [swatch], words: "prints as #{printed.hex}, ΔE #{format("%.1f", proof[:de2000])}", mend: -> { printed }, subject: swatch)
    end
  end

  def confusable
    Magpie::Palette::Confusable.pairs(@colours, limit: @palette.limit("confusable")).map do |pair|
      Item.new(swatches: [@plain[pair.first], @plain[pair.second]], words: "ΔE #{format("%.1f", pair.plain)}, but #{format("%.1f", pair.seen)} #{WEAK.fetch(pair.kind)}", mend: -> { apart(pair) }, subject: @plain[pair.second])
    end
  end

  def contrast
    TextGrounds.new(@swatches.map(&:id)).pairs.select { |pair| pair.ratio < @palette.limit("contrast") }.sort_by(&:ratio).map do |pair|
      words = "#{pair.text.part.label} on #{pair.ground.part.label} in #{pair.artwork.name}: #{(pair.ratio * 10).floor / 10.0} : 1"
      text = pair.text.swatch
      adjusted = -> { Magpie::Palette::Readable.adjusted(*pair.colours, limit: @palette.limit("contrast")) } if text && !text.paint
      Item.new(swatches: [text || pair.text, pair.ground.swatch || pair.ground], words:, mend: adjusted, subject: text)
    end
  end

  def reversals
    @palette.groups.filter_map do |group|
      plain = group.swatches.reject(&:paint)
      back = Magpie::Palette::Reversals.of(plain.map(&:colour), step: @palette.limit("reversal") / 100.0)
      Item.new(swatches: back.map { |index| plain[index] }, words: "#{group.name} turns back at #{Magpie::Text.list(back.map { |index| plain[index].name })}", subject: group) if back.any?
    end
  end

  private

  def limit(name) = Magpie::Notation::Forms.short(@palette.limit(name), 2)

  def inks = @swatches.filter_map(&:paint).flat_map { |paint| paint.inks.filter_map(&:swatch) }

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
