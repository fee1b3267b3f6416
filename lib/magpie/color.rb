module Magpie
  # One colour as an immutable value: a model, its components as floats in the
  # units that the model declares (never rounded to 8 bits), and an opacity 0..1.
  # Two colours are equal when model, components and opacity are.
  #
  #   Color.new(:hsl, [10, 70, 62]).to(:srgb).components  # => [0.886, 0.44, 0.354]
  class Color
    # A channel's name, the range it usually lies in, and its unit ("" if plain).
    Channel = Struct.new(:name, :range, :unit)

    # How a channel is set by hand: its letter and its name in words, the numbers that
    # people know it by, and the smallest step between two of them.
    Scale = Struct.new(:letter, :name, :from, :to, :step)

    # A colour model: its channels, the model that it is defined on (nil for XYZ),
    # and the two functions between them, each [c1, c2, c3] -> [c1, c2, c3]. Those that
    # people set by hand have a label, the name that notations begin with, and a scale
    # for each channel.
    Model = Struct.new(:name, :channels, :base, :to_base, :from_base, :label, :notation, :scales, keyword_init: true) do
      def path = base ? [self, *Color.model(base).path] : [self]
    end

    MODELS = {}

    # @param scales [Array<Array>] letter, name, from, to, step of each channel
    def self.define(name, channels:, base: nil, to_base: nil, from_base: nil, label: nil, notation: name, scales: nil)
      channels = channels.map { |channel, (range, unit)| Channel.new(channel, range, unit.to_s) }
      MODELS[name] = Model.new(name:, channels:, base:, to_base:, from_base:, label:, notation:, scales: scales&.map { |scale| Scale.new(*scale) })
    end

    # The models that people set by hand, by the name that notations begin with.
    # @return [Hash{Symbol => Model}]
    def self.by_hand = MODELS.values.select(&:scales).to_h { |model| [model.notation, model] }

    # @raise [Magpie::Error] when there is no such model
    def self.model(name)
      MODELS.fetch(name) { raise Error, "there is no colour model called #{name}" }
    end

    WAYS = Hash.new { |ways, from| ways[from] = {} }
    private_constant :WAYS

    # The functions that lead from one model to another, through the base that both
    # stand on. Found once for each two.
    # @return [Array<Proc>] each [c1, c2, c3] -> [c1, c2, c3]
    # @raise [Magpie::Error] when there is no such model
    def self.way(from, target)
      WAYS[from][target] ||= begin
        down, up = model(from).path, model(target).path
        shared = (down & up).first
        down.take_while { |step| step != shared }.map(&:to_base) + up.take_while { |step| step != shared }.reverse.map(&:from_base)
      end
    end

    # @param hex [Integer] 0xRRGGBB
    def self.from_rgb24(hex) = srgb8(hex >> 16 & 255, hex >> 8 & 255, hex & 255)

    # @param red, green, blue [Numeric] 0..255
    def self.srgb8(red, green, blue, alpha = 1.0) = new(:srgb, [red / 255.0, green / 255.0, blue / 255.0], alpha)

    # @param hash [Hash] what #to_h gave, with string or symbol keys
    def self.from_h(hash)
      model, components, alpha = hash.values_at("model", "components", "alpha")
      model, components, alpha = hash.fetch(:model), hash.fetch(:components), hash[:alpha] unless model
      new(model.to_sym, components, alpha || 1.0)
    end

    attr_reader :model, :components, :alpha

    def initialize(model, components, alpha = 1.0)
      takes = Color.model(model).channels.size
      raise Error, "#{model} takes #{takes} numbers, not #{components.size}" if components.size != takes
      @model = model
      @components = components.map { |value| (value.is_a?(Float) && value.finite?) ? value : finite(value) }.freeze
      @alpha = finite(alpha).clamp(0.0, 1.0)
      freeze
    end

    # The same colour in another model; nothing is clipped.
    def to(target)
      return self if target == model
      Color.new(target, self.in(target), alpha)
    end

    # The components in another model.
    # @return [Array<Float>]
    def in(target)
      return components if target == model
      values = Color.way(model, target).reduce(components) { |each, step| step.call(each) }
      values.each { |value| finite(value) unless value.finite? }
      values
    end

    def with(alpha:) = Color.new(model, components, alpha)

    # Red, green and blue as floats on the 0..255 scale, not clipped.
    def rgb255 = self.in(:srgb).map { |value| value * 255 }

    # The eight-bit colour a screen shows, brought into the sRGB gamut: #RRGGBB,
    # or #RRGGBBAA when it is not opaque.
    def hex
      shown = (model == :srgb && Gamut.srgb?(self)) ? self : Gamut.to_srgb(self)
      red, green, blue = shown.components.map { |value| (value * 255).round.clamp(0, 255) }
      (alpha < 1) ? format("#%02X%02X%02X%02X", red, green, blue, (alpha * 255).round) : format("#%02X%02X%02X", red, green, blue)
    end

    # What is seen when it lies over a ground: opacity as screens and SVG do it, in sRGB.
    # @param ground [Color] a translucent one lies over white itself
    # @return [Color] opaque, in sRGB; itself where it is opaque
    def over(ground)
      return self if opaque?
      ground = ground.over(WHITE) unless ground.opaque?
      upper, lower = [self, ground].map { |color| Gamut.to_srgb(color).in(:srgb) }
      Color.new(:srgb, upper.zip(lower).map { |a, b| a * alpha + b * (1 - alpha) })
    end

    def in_srgb? = Gamut.srgb?(self)

    def opaque? = alpha >= 1

    def to_h = {model: model.to_s, components:, alpha:}

    def ==(other) = other.is_a?(Color) && [model, components, alpha] == [other.model, other.components, other.alpha]
    alias_method :eql?, :==

    def hash = [model, components, alpha].hash

    def inspect = "#<Color #{model} #{components.map { |value| value.round(4) }.join(" ")}#{" / #{alpha}" if alpha < 1}>"

    private

    def finite(value)
      number = Float(value)
      raise Error, "a colour's component must be a finite number" unless number.finite?
      number
    end
  end
end

require "magpie/color/matrix"
%w[xyz rgb hsb hsl hwb lab oklab].each { |file| require "magpie/color/#{file}" }

Magpie::Color::WHITE = Magpie::Color.new(:srgb, [1.0, 1.0, 1.0])
