# Colours on the poster that are no swatch: one the same as none, one near Rosehip, one the same
# as Slate dome.
module Strays
  COLOURS = {"rosehip_band" => "#A84F63", "dome_wall" => "#6F7384", "moor" => "#00FF88"}.freeze

  def poster = Artwork.firsts.find_by!(name: "Poster")

  def stray
    COLOURS.each do |key, text|
      spot = place(poster, key)
      spot.follow&.destroy
      spot.update!(**Place.copying(hex(text)))
    end
  end

  def linked_to(key) = place(poster, key).reload.swatch&.name
end
