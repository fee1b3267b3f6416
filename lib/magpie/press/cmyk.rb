module Magpie
  # Process inks in per cent. What they look like is the press's to say: an ICC
  # transform by Little CMS through libvips, from its own CMYK profile to Lab.
  # libvips is loaded only when a CMYK colour is really converted.
  class Color
    define :cmyk, base: :lab,
      to_base: ->(inks) { Press.usual.to_lab(inks) },
      from_base: ->(lab) { Press.usual.proof(new(:lab, lab)).inks },
      channels: %w[Cyan Magenta Yellow Black].to_h { |ink| [ink, [0..100, "%"]] },
      label: "CMYK", scales: [["C", "Cyan", 0, 100, 1], ["M", "Magenta", 0, 100, 1], ["Y", "Yellow", 0, 100, 1], ["K", "Black", 0, 100, 1]]
  end
end
