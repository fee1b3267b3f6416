module Places
  module Gather
    # An outline as an SVG path, in pixels of the picture.
    module Outline
      def self.path(corners) = "M#{corners.map { |x, y| "#{x.round(2)} #{y.round(2)}" }.join("L")}Z"
    end
  end
end
