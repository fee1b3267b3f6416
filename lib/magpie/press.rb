module Magpie
  # What presses make of colours.
  module Press
    autoload :LittleCms, "magpie/press/little_cms"
    autoload :Condition, "magpie/press/condition"

    # ΔE00 between a colour and its print above which it is outside the press's gamut.
    OUTSIDE = 2.0
    MAKING = Mutex.new
    private_constant :MAKING

    module_function

    # The condition that holds unless another is named: the profile that libvips ships.
    # @return [Condition]
    def usual
      MAKING.synchronize do
        @usual ||= begin
          require "vips"
          pixel = ::Vips::Image.black(1, 1, bands: 3).copy(interpretation: :srgb).icc_transform("cmyk", input_profile: "srgb")
          Condition.new("usual", pixel.get("icc-profile-data"))
        end
      end
    end
  end
end
