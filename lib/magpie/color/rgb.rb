module Magpie
  # RGB spaces, components 0..1 inside the gamut. Primaries and transfer functions
  # as in CSS Color Module Level 4, sample code; each is defined on its own linear
  # light, and that on XYZ.
  class Color
    red_green_blue = {"Red" => [0..1.0], "Green" => [0..1.0], "Blue" => [0..1.0]}

    # Applies a curve to the magnitude and keeps the sign, so that colours outside
    # the gamut survive the way there and back.
    odd = ->(curve) { ->(v) { v.map { |c| (c < 0) ? -curve.call(-c) : curve.call(c) } } }

    define_rgb = lambda do |name, white, matrix, decode, encode, **by_hand|
      to, from = Matrix.pair(matrix)
      linear = :"#{name}_linear"
      define linear, channels: red_green_blue, base: white, to_base: to, from_base: from
      define name, channels: red_green_blue, base: linear, to_base: odd.call(decode), from_base: odd.call(encode), **by_hand
    end

    # IEC 61966-2-1.
    srgb_decode = ->(c) { (c <= 0.04045) ? c / 12.92 : ((c + 0.055) / 1.055)**2.4 }
    srgb_encode = ->(c) { (c > 0.0031308) ? 1.055 * c**(1 / 2.4) - 0.055 : 12.92 * c }

    define_rgb.call :srgb, :xyz_d65, [
      [506752 / 1228815.0, 87881 / 245763.0, 12673 / 70218.0],
      [87098 / 409605.0, 175762 / 245763.0, 12673 / 175545.0],
      [7918 / 409605.0, 87881 / 737289.0, 1001167 / 1053270.0]
    ], srgb_decode, srgb_encode, label: "RGB", notation: :rgb, scales: [["R", "Red", 0, 255, 1], ["G", "Green", 0, 255, 1], ["B", "Blue", 0, 255, 1]]

    define_rgb.call :display_p3, :xyz_d65, [
      [608311 / 1250200.0, 189793 / 714400.0, 198249 / 1000160.0],
      [35783 / 156275.0, 247089 / 357200.0, 198249 / 2500400.0],
      [0.0, 32229 / 714400.0, 5220557 / 5000800.0]
    ], srgb_decode, srgb_encode

    # The wide gamut that CSS calls a98-rgb.
    define_rgb.call :a98_rgb, :xyz_d65, [
      [573536 / 994567.0, 263643 / 1420810.0, 187206 / 994567.0],
      [591459 / 1989134.0, 6239551 / 9945670.0, 374412 / 4972835.0],
      [53769 / 1989134.0, 351524 / 4972835.0, 4929758 / 4972835.0]
    ], ->(c) { c**(563 / 256.0) }, ->(c) { c**(256 / 563.0) }

    # ROMM RGB, on D50.
    define_rgb.call :prophoto_rgb, :xyz_d50, [
      [0.79776664490064230, 0.13518129740053308, 0.03134773412839220],
      [0.28807482881940130, 0.71183523424187300, 0.00008993693872564],
      [0.0, 0.0, 0.82510460251046020]
    ], ->(c) { (c <= 16 / 512.0) ? c / 16 : c**1.8 }, ->(c) { (c >= 1 / 512.0) ? c**(1 / 1.8) : 16 * c }

    # ITU-R BT.2020.
    alpha = 1.09929682680944
    beta = 0.018053968510807
    define_rgb.call :rec2020, :xyz_d65, [
      [63426534 / 99577255.0, 20160776 / 139408157.0, 47086771 / 278816314.0],
      [26158966 / 99577255.0, 472592308 / 697040785.0, 8267143 / 139408157.0],
      [0.0, 19567812 / 697040785.0, 295819943 / 278816314.0]
    ], ->(c) { (c < beta * 4.5) ? c / 4.5 : ((c + alpha - 1) / alpha)**(1 / 0.45) },
      ->(c) { (c > beta) ? alpha * c**0.45 - (alpha - 1) : 4.5 * c }
  end
end
