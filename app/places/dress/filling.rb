module Places
  module Dress
    # How patches of pictures are looked for and filled, as a form has it and as it was last.
    # @!attribute tolerance [Float] ΔE00
    # @!attribute everywhere [Boolean]
    # @!attribute gap [Integer] px
    # @!attribute soft [Float] px
    # @!attribute way [String] of WAYS
    # @!attribute opacity [Float] per cent
    Filling = Struct.new(:tolerance, :everywhere, :gap, :soft, :way, :opacity, keyword_init: true)

    class Filling
      # How it is laid over the picture, by what is kept of that.
      WAYS = {"color" => "light and shade stay", "multiply" => "darkens", "screen" => "lightens", "normal" => "covers"}.freeze

      # @param text [String] as #to_s
      def self.read(text)
        tolerance, where, gap, soft, way, opacity = text.split(",")
        new(tolerance: tolerance.to_f, everywhere: where == "everywhere", gap: gap.to_i, soft: soft.to_f, way:, opacity: opacity.to_f)
      end

      # What a form says, and of what it does not as it was.
      # @param param [Frame::Asked] of the request
      # @param was [Filling]
      def self.of(param, was)
        fill = Magpie::Picture::Fill
        new(tolerance: param.number(:tolerance, was.tolerance, Magpie::Picture::Probe::TOLERANCES), gap: param.number(:gap, was.gap, fill::GAPS).round, soft: param.number(:soft, was.soft, fill::SOFT), opacity: param.number(:opacity, was.opacity, 0..100),
          everywhere: param.given?(:where) ? param.text(:where) == "everywhere" : was.everywhere, way: WAYS.key?(param.text(:way)) ? param.text(:way) : was.way)
      end

      # @return [Hash] see Magpie::Picture::Fill::Aim, without its place
      def aim = to_h.slice(:tolerance, :everywhere, :gap, :soft)

      def to_s = [*[tolerance].map { |value| Filling.short(value) }, everywhere ? "everywhere" : "near", gap, Filling.short(soft), way, Filling.short(opacity)].join(",")

      def self.short(number) = Magpie::Notation::Forms.short(number, 2)
    end
  end
end
