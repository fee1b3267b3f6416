module Frame
  # The Mix sheet, over whatever place it is opened: a colour in the models that were
  # chosen, and what follows the swatch whose colour it is.
  class Sheet
    # Each model's channels: letter, name, lowest, highest, step.
    MODELS = Magpie::Color.by_hand.transform_values { |model| model.scales.map(&:to_a) }.freeze
    LABELS = Magpie::Color.by_hand.transform_values(&:label).freeze
    # Models that can name what a screen cannot show.
    WIDE = %i[lab lch oklch].freeze
    # What nudges are called, and their keys.
    NUDGES = {
      "lighter" => ["Lighter", "."], "darker" => ["Darker", ","], "hue_back" => ["Hue −", ";"], "hue_on" => ["Hue +", "'"],
      "more_chroma" => ["More chroma", "]"], "less_chroma" => ["Less chroma", "["]
    }.freeze

    # {model => numbers} that sliders stand at.
    # @param colour [Magpie::Color]
    def self.channels(colour)
      screen = Magpie::Gamut.to_srgb(colour)
      MODELS.to_h do |model, parts|
        values = if model == :rgb
          screen.rgb255
        else
          (WIDE.include?(model) ? colour : screen).in(model)
        end
        values = colour.components if colour.model == model && model != :rgb
        [model, values.zip(parts).map { |value, (*, step)| round_to(value, step) }]
      end
    end

    def self.round_to(value, step) = (value / step).round.then { |n| (step >= 1) ? n * step : (n * step).round(3) }

    # @!attribute was [Magpie::Color] the colour that it was opened with
    attr_reader :was

    # @param content [Hand::Content]
    # @param desk [Desk]
    def initialize(content, desk)
      @content, @desk, @choices, @was = content, desk, desk.choices, content.colour
    end

    def id = @content.swatch_id

    def name = @content.name

    # The swatch, where it is one of the project's.
    # @return [Swatch, nil]
    def swatch = defined?(@swatch) ? @swatch : @swatch = (@desk.actor.swatches.find_by(id:, group_id: @desk.groups.map(&:id)) if id)

    def shared? = swatch&.shared

    # Swatches that follow it, to whatever depth.
    # @return [Array<Integer>] ids
    def followers = @followers ||= id ? Following::Graph.below([id]).followers : []

    # Can it not be changed here?
    def fixed? = swatch&.locked || swatch&.paint

    def reach = @reach ||= Reach.new(@desk.actor, [id].compact)

    # Places that hold the value of a loose swatch and could be brought along.
    def held = @held ||= (swatch && !swatch.shared) ? Candidates.of(@desk.actor, [swatch]).exact : 0

    # The CSS custom property that is moved while it is tried.
    def variable = id ? "--swatch-#{id}" : ""

    def typed = swatch&.definition || Magpie::Notation.write(was, was.in_srgb? ? :hex : :oklch)

    def close_to = Magpie::ColorName.suggest(was).downcase

    def opacity = (was.alpha * 100).round

    # @!attribute wide [Boolean] whether it has a mark of what the screen shows
    Channel = Struct.new(:letter, :name, :low, :high, :step, :value, :wide)

    # The models that are shown, with their channels.
    # @return [Hash{Symbol => Array<Channel>}]
    def models
      values = Sheet.channels(was)
      shown.to_h { |model| [model, MODELS[model].zip(values[model]).map { |channel, value| Channel.new(*channel, value, WIDE.include?(model)) }] }
    end

    def shown?(model) = shown.include?(model)

    def panel = @choices[:panel]

    def plane = @choices[:plane]

    def bare = @choices[:bare]

    # From where to where the slice's axes go, for the browser that drags in it.
    def ranges = Magpie::Slice::PLANES.fetch(plane.to_sym).then { |each| {across: each.across.last.minmax, up: each.up.last.minmax} }

    private

    def shown = @choices[:models].split(",").map(&:to_sym)
  end
end
