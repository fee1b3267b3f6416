require "magpie/picture"

# The demo's pictures, made from gradients and noise. The same every time.
module Demo
  module Pictures
    WIDTH = 1600
    HEIGHT = 896

    module_function

    # {name => PNG or JPEG bytes}, painted once in a process
    def all = @all ||= {"Dusk over the dome" => dusk, "Nebula plate" => nebula, "Orrery brass" => brass}

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
      ground = Vips::Image.black(WIDTH, HEIGHT, bands: 3).linear([1, 1, 1], [12, 12, 34]).copy(interpretation: :srgb)
      layers = [[31, [112, 40, 128], 0.85], [47, [34, 120, 150], 0.6], [59, [70, 52, 160], 0.55], [71, [216, 96, 150], 0.4]]
      image = layers.reduce(ground) do |under, (seed, colour, strength)|
        tint(under, veil(seed), colour, strength)
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
      grain(image + brushed, 1.6).pngsave_buffer(compression: 9)
    end

    def drawing(name)
      Vips::Image.svgload(File.join(__dir__, "#{name}.svg")).colourspace(:srgb)
    end

    # 0..1, a sum of smooth noises of ever smaller cells. Made small and enlarged,
    # which is quick and softens the grid that the noise is made on.
    def cloud(width, height, cells, seed)
      layers = cells.each_with_index.map { |cell, index| Vips::Image.perlin(width / 4, height / 4, cell_size: cell / 4, seed: seed + index) * (1.0 / (1 << index)) }
      sum = layers.reduce(:+).gaussblur(cells.last / 24.0).copy_memory
      ((sum - sum.min) / (sum.max - sum.min)).resize(4, kernel: :cubic).copy_memory
    end

    # Light only where the noise is high, softened, so that it hangs in wisps.
    def veil(seed)
      wisps = cloud(WIDTH, HEIGHT, [640, 300, 140, 64, 30], seed)
      high = (wisps - 0.42) * 2.6
      (high > 0).ifthenelse((high < 1).ifthenelse(high, 1), 0)
    end

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
