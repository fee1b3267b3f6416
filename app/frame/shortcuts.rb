module Frame
  # Keys that do something by themselves, without Ctrl or Alt. A person may give each another
  # key or none, or switch all of them off (WCAG 2.2, 2.1.4); the browser is told which key
  # does what, and what each does is known there by its name.
  class Shortcuts
    # @!attribute name [Symbol]
    # @!attribute key [String] as KeyboardEvent#key has it; a capital is with Shift
    # @!attribute places [Array<String>] where it is of use; "mix" is the sheet
    Each = Struct.new(:name, :words, :key, :places)

    EVERYWHERE = %w[gather palettes dress match deliver mix].freeze
    LOOKING = %w[gather dress].freeze
    ALL = [
      [:shortcuts, "This list", "?", EVERYWHERE], [:gather, "Go to Gather", "g", EVERYWHERE], [:palettes, "Go to Palettes", "p", EVERYWHERE], [:dress, "Go to Dress", "d", EVERYWHERE],
      [:match, "Go to Match", "t", EVERYWHERE], [:deliver, "Go to Deliver", "v", EVERYWHERE], [:hand, "Go to the hand, and to what can be done with what is selected", "h", EVERYWHERE],
      [:swap, "Exchange what is in hand with what was in it before", "b", EVERYWHERE], [:mix, "Open or close Mix", "m", EVERYWHERE], [:keep, "Name the colour in hand and keep it", "k", EVERYWHERE],
      *Sheet::NUDGES.map { |step, (words, key)| [step.to_sym, "#{words}, by the size of a nudge", key, %w[mix]] },
      [:copy, "Copy the marked notation of the reading", "c", %w[gather]], [:closer, "Look closer", "+", LOOKING], [:farther, "Look from farther away", "-", LOOKING], [:fit, "Look at all of it", "0", LOOKING],
      [:look, "Hold it and drag: look at another part", "l", LOOKING], [:pick, "Pick parts", "1", %w[dress]], [:sweep, "Sweep", "2", %w[dress]], [:read, "Read colour", "3", %w[dress]], [:carry, "Carry", "4", %w[dress]],
      [:fill, "Fill a picture", "5", %w[dress]], [:read_within, "Hold it: read colour while another tool is in use", "r", %w[dress]], [:target, "Give to the fill or to the line", "f", %w[dress]],
      [:exchange, "Exchange fill and line of what is picked", "x", %w[dress]], [:wider, "Pick the group round it", "w", %w[dress]], [:narrower, "Go back to what was picked before that", "W", %w[dress]]
    ].to_h { |name, *about| [name, Each.new(name, *about)] }.freeze

    # Keys that are no shortcuts of ours to give away: what lists, pictures and sliders do.
    ALWAYS = {
      "gather" => [["Arrow keys on a picture", "Move the probe, with Shift by ten; Enter reads. Ctrl and arrows look at another part"], ["Drawing round", "Enter sets a corner, Backspace takes it back, Shift and Enter closes"],
        ["Alt and arrows on a pin", "Move it, with Shift by ten; Enter reads there"]],
      "palettes" => [["Space on a chip", "Select it besides; Shift and arrows select what is passed"], ["Ctrl and A", "Select its group, once more everything"],
        ["Alt and arrows", "Move the selected chips by a slot, or to the next group"], ["Delete", "Remove what is selected"]],
      "dress" => [["Arrow keys on the artwork", "Walk through its parts; with Fill, move a mark over the picture"], ["Enter, Delete on it", "Give what is picked what is in hand, clear it; with Shift the other of fill and line"], ["F2 on a part’s name", "Rename it"]],
      "match" => [["Arrow keys on a row", "To the next row; left and right to the next best for it"], ["On a chart", "Arrow keys walk, Space selects, Shift and arrows select what is passed, Enter takes in hand"]],
      "mix" => [["Arrow keys on the slice", "Move the colour, with Shift by ten"], ["Shift and arrows in a number", "By ten steps"]], "deliver" => []
    }.freeze
    ANYWHERE = [["Arrow keys", "Walk through chips, finds, tools and steps; Home and End to the first and last; Enter takes"], ["F6, Shift and F6", "Go to the next or the last part of the window"],
      ["Ctrl and Z, Ctrl, Shift and Z", "Undo, do again"], ["Esc", "Close what is open with nothing changed; while a picture is pressed, read nothing"]].freeze

    # @param kept [Hash{String => Object}] what a person has settled: keys by name, and "off"
    def initialize(kept) = @kept = kept

    def off? = @kept["off"] == true

    # @return [String, nil] nil where it was given none
    def key(name) = @kept.fetch(name.to_s) { ALL.fetch(name).key }.presence

    # @return [Hash{String => Symbol}] what each key does; several places may use one key
    def keys = off? ? {} : ALL.each_key.group_by { |name| key(name) }.except(nil)

    # @return [Array<Each>] those of use in a place, and in the sheet of Mix where it is open
    def of(place, mixing) = ALL.values.select { |each| each.places.include?(place) || mixing && each.places.include?("mix") }

    def always(place, mixing) = ANYWHERE + ALWAYS.fetch(place, []) + (mixing ? ALWAYS["mix"] : [])

    # How a key is written: "Shift W".
    def self.written(key) = key.to_s.match?(/\A\p{Lu}\z/) ? "Shift #{key}" : key.to_s.upcase

    # @param name [String] of a shortcut
    # @param key [String] one character, or empty for none
    # @return [Hash] what is to be kept from then on
    # @raise [Magpie::Error] where it is no key, or another's
    def give(name, key)
      each = ALL[name.to_s.to_sym] or raise Magpie::Error, "There is no shortcut called #{name.to_s[0, 40].inspect}"
      key = key.strip
      raise Magpie::Error, "#{key[0, 20].inspect} is no single key: expected one letter, number or mark" unless key.empty? || key.match?(/\A[[:graph:]]\z/)
      other = ALL.values.find { |one| one != each && key(one.name) == key && one.places.intersect?(each.places) } unless key.empty?
      raise Magpie::Error, "#{Shortcuts.written(key)} is the key for “#{other.words}”. Give that another one first" if other
      @kept.merge(each.name.to_s => key)
    end
  end
end
