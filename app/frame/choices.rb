module Frame
  # What a person has chosen in a project: how to read, what to do with a reading,
  # how the main colours are found. Each choice has a few values that it may take.
  class Choices
    # What can be made of a colour in the Mix sheet, and the planes of its slice.
    PANELS = {"reach" => "Reach", "tints" => "Tints", "mix" => "Mix", "between" => "Between", "ramp" => "Ramp", "harmony" => "Harmony", "checks" => "Checks"}.freeze
    PLANES = {"chroma_lightness" => "Chroma across, lightness up", "hue_chroma" => "Hue across, chroma up", "a_b" => "a across, b up", "saturation_brightness" => "Saturation across, brightness up"}.freeze
    # How Palettes shows a palette, and how a ledger is sorted.
    VIEWS = {"rows" => "Rows", "grid" => "Grid", "ledger" => "Ledger", "chart" => "Chart"}.freeze
    SORTS = %w[order name lightness hue chroma use kind].freeze

    ALLOWED = {
      "probe" => ->(v) { Aim::PROBES.include?(v) },
      "tolerance" => ->(v) { Magpie::Picture::Probe::TOLERANCES.cover?(Float(v, exception: false) || 0) },
      "release" => ->(v) { %w[hold drop].include?(v) },
      "paint" => ->(v) { %w[seen fill line].include?(v) },
      "colours" => ->(v) { v == "auto" || Magpie::Picture::MainColours::COUNTS.cover?(v.to_i) },
      "accents" => ->(v) { (0..100).cover?(Integer(v, 10, exception: false) || -1) },
      "grounds" => ->(v) { %w[in out].include?(v) },
      "favourite" => ->(v) { Colours::NOTATIONS.key?(v.to_sym) },
      "copying" => ->(v) { %w[on off].include?(v) },
      "models" => ->(v) { v.split(",").then { |models| models.size.between?(1, 4) && models.all? { |model| Sheet::MODELS.key?(model.to_sym) } } },
      "plane" => ->(v) { PLANES.key?(v) },
      "panel" => ->(v) { PANELS.key?(v) },
      "bare" => ->(v) { Sheet::MODELS.key?(v.to_sym) },
      "view" => ->(v) { VIEWS.key?(v) },
      "chip" => ->(v) { (40..140).cover?(Integer(v, 10, exception: false) || 0) },
      "ledger" => ->(v) { v.split(",").all? { |model| Colours::NOTATIONS.key?(model.to_sym) } },
      "sort" => ->(v) { SORTS.include?(v) },
      "folded" => ->(v) { v.match?(/\A[\d,]{0,2000}\z/) },
      "target" => ->(v) { %w[fill line].include?(v) },
      "carrying" => ->(v) { (v.split(",") - Changes::CarryDress::WHAT.keys).empty? },
      "filling" => ->(v) { v.match?(/\A[\d.]{1,8},(?:near|everywhere),\d{1,3},[\d.]{1,8},[a-z]{1,20},[\d.]{1,8}\z/) },
      "stepping" => ->(v) { %w[place swatch].include?(v) },
      "colours_of" => ->(v) { %w[artwork project].include?(v) },
      "listed" => ->(v) { %w[all here].include?(v) },
      "sending" => ->(v) { Magpie::Formats.find(v)&.writes? },
      "sending_options" => ->(v) { v.size <= 8_000 && options?(v) },
      "left_out" => ->(v) { v.match?(/\A[\d,]{0,20000}\z/) },
      "matching" => ->(v) { v.match?(/\A(?:[lp]\d{1,18}(?:,|\z)){0,400}\z/) },
      "within" => ->(v) { (0.1..20).cover?(Float(v, exception: false) || 0) },
      "rack_library" => ->(v) { v.match?(/\A(?:none|\d{1,18})\z/) },
      "paper" => ->(v) { %w[on off].include?(v) },
      "group" => ->(v) { v.match?(/\A\d{1,18}\z/) }
    }.freeze
    USUAL = {
      "probe" => "5", "tolerance" => "6", "release" => "hold", "paint" => "seen", "colours" => "auto", "accents" => "100", "grounds" => "in",
      "favourite" => "hex", "copying" => "off", "listed" => "all", "models" => "rgb,hsb,lab,cmyk", "plane" => "chroma_lightness", "panel" => "reach", "bare" => "rgb",
      "view" => "rows", "chip" => "76", "ledger" => "hex,cmyk", "sort" => "order", "folded" => "", "group" => "", "sending" => "css", "sending_options" => "", "left_out" => "", "target" => "fill", "colours_of" => "artwork", "matching" => "", "within" => "2.5", "paper" => "off", "rack_library" => "none", "stepping" => "place", "filling" => "10,near,0,1,color,100", "carrying" => "fill,line,width,dash,opacity,effects"
    }.freeze

    # JSON of what was chosen about formats: texts by name, by format.
    def self.options?(text)
      JSON.parse(text).then { |all| all.is_a?(Hash) && all.values.all? { |each| each.is_a?(Hash) && each.values.all?(String) } }
    rescue JSON::ParserError
      false
    end

    # @param hand [Hand] where they are kept
    def initialize(hand) = @hand = hand

    def [](name) = @hand.choices.fetch(name.to_s) { USUAL.fetch(name.to_s) }

    # Takes what is known and allowed, and leaves the rest.
    # @param given [Hash{String => String}]
    def take(given)
      taken = given.select { |name, value| ALLOWED[name.to_s]&.call(value.to_s) }.transform_values(&:to_s)
      @hand.choose(taken) if taken.any?
    end

    # The swatches that were selected last, by their ids.
    def selected = @hand.choices.fetch("selected", [])

    def select(ids) = @hand.choose("selected" => ids)

    def tolerance = Float(self[:tolerance])

    # As Magpie::Picture::MainColours takes them.
    def main_colours
      count = self[:colours].to_i unless self[:colours] == "auto"
      {count:, accents: self[:accents].to_i / 100.0, leave_out: self[:grounds] == "out"}
    end
  end
end
