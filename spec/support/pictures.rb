require "magpie/picture"

# Pictures with known pixels.
module PictureSupport
  # @param rows [Array<Array<[r, g, b]>>] 0..255, or 0..65535 for :ushort
  def picture_of(rows, format: :uchar)
    bands = (0...rows[0][0].size).map { |band| Vips::Image.new_from_array(rows.map { |row| row.map { |pixel| pixel[band] } }) }
    bands[0].bandjoin(bands[1..]).cast(format).copy(interpretation: (format == :ushort) ? :rgb16 : :srgb)
  end

  def flat_picture(width, height, rgb)
    (Vips::Image.black(width, height, bands: 3) + rgb).cast(:uchar).copy(interpretation: :srgb)
  end

  def noise_picture(width, height, rgb, sigma)
    bands = rgb.each_with_index.map { |mean, band| Vips::Image.gaussnoise(width, height, mean:, sigma:, seed: 7 + band) }
    bands[0].bandjoin(bands[1..]).cast(:uchar).copy(interpretation: :srgb)
  end
end

RSpec.configure { |config| config.include PictureSupport }
