require "magpie/picture"

# The demo's pictures, made from gradients and noise. The same every time.
module Demo
  module Pictures
    WIDTH = 1600
    HEIGHT = 896

    module_function

    # {name => PNG or JPEG bytes}
    def all = {"Dusk over the dome" => dusk, "Nebula plate" => nebula, "Orrery brass" => brass}

    def dusk
      clouds = cloud(WIDTH, HEIGHT, [420, 190, 70], 11)
      high = cloud(WIDTH, HEIGHT, [260, 110], 23)
      sky = drawing("dusk_sky")
      sky = tint(sky, clouds, [214, 92, 104], 0.42)
      sky = tint(sky, high, [32, 26, 74], 0.34)
      front = drawing("dusk_front")
      grain(sky.composite(front, :over), 2.2).jpegsave_buffer(Q: 95)
    end

    def nebula
      ground = Vips::Image.black(WIDTH, HEIGHT, bands: 3).linear([1, 1, 1], [18, 16, 44]).copy(interpretation: :srgb)
      layers = [[31, [150, 60, 150], 0.95], [47, [46, 150, 170], 0.75], [59, [92, 70, 190], 0.7], [71, [220, 110, 150], 0.5]]
      image = layers.reduce(ground) do |under, (seed, colour, strength)|
        tint(under, ridge(cloud(WIDTH, HEIGHT, [520, 230, 96, 40], seed)), colour, strength)
      end
      grain(image.composite(drawing("stars"), :over), 2.5).jpegsave_buffer(Q: 95)
    end

    # Brushed metal: noise drawn out sideways, under a soft light.
    def brass
      brushed = Vips::Image.gaussnoise(WIDTH, HEIGHT, sigma: 90, mean: 0, seed: 5).conv(Vips::Image.new_from_array([[1] * 61], 61))
      brushed = brushed.gaussblur(0.6)
      light = cloud(WIDTH, HEIGHT, [800, 400], 91)
      image = drawing("brass").colourspace(:srgb).extract_band(0, n: 3)
      image = tint(image, light, [250, 205, 120], 0.28)
      grain((image + brushed), 1.6).pngsave_buffer(compression: 9)
    end

    def drawing(name)
      Vips::Image.svgload(File.join(__dir__, "#{name}.svg")).colourspace(:srgb)
    end

    # 0..1, a sum of smooth noises of ever smaller cells.
    def cloud(width, height, cells, seed)
      layers = cells.each_with_index.map { |cell, index| Vips::Image.perlin(width, height, cell_size: cell, seed: seed + index) * (1.0 / (1 << index)) }
      sum = layers.reduce(:+)
      ((sum - sum.min) / (sum.max - sum.min)).copy_memory
    end

    # Light where the noise is near its middle, so that it looks like drawn veils.
    def ridge(noise) = (((noise - 0.5).abs * -3.2) + 1).then { |veil| (veil > 0).ifthenelse(veil, 0) }

    def tint(image, mask, colour, strength)
      image = image.extract_band(0, n: 3)
      weight = mask * strength
      image * (weight * -1 + 1) + weight.bandjoin([weight, weight]) * colour
    end

    def grain(image, sigma)
      image = image.extract_band(0, n: 3)
      noise = (0..2).map { |band| Vips::Image.gaussnoise(image.width, image.height, sigma:, mean: 0, seed: 300 + band) }
      (image + noise[0].bandjoin(noise[1..])).cast(:uchar).copy(interpretation: :srgb)
    end
  end
end
