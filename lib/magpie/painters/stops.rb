module Magpie
  module Painters
    # A gradient without a place: its stops, on a unit of its own.
    class Stops
      ELEMENTS = {"linear" => "linearGradient", "round" => "radialGradient", "radial" => "radialGradient"}.freeze

      # @return [String] an attribute, or nothing
      def self.spread(extent) = (extent == "pad") ? "" : %( spreadMethod="#{Palette::Compound::SPREADS.fetch(extent)}")

      # @param compound [Palette::Compound]
      # @param writing [Writing]
      def initialize(compound, writing)
        @compound, @writing = compound, writing
      end

      # @return [String] SVG
      def to_s(id)
        element = ELEMENTS.fetch(@compound.form)
        stops = Palette::Course.of(@compound).map { |step| stop(step) }.join
        %(<#{element} id="#{id}"#{Stops.spread(@compound.extent)}>#{stops}</#{element}>)
      end

      private

      def stop(step) = %(<stop offset="#{Notation::Forms.short(step.offset, 5)}"#{@writing.step("stop-color", "stop-opacity", step, @compound)}/>)
    end
  end
end
