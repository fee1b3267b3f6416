require "support/screens"
require "support/palettes"

# What a browser makes of the files that we write, and of style sheets that we read.
RSpec.describe "A browser", :screen do
  def looked_at(name, text)
    path = File.join(Dir.mktmpdir("sent", DOWNLOADS), name)
    File.write(path, text)
    page.driver.browser.go_to("file://#{path}")
  end

  # The colours that custom properties come to, as sRGB of 0 to 255 and opacity.
  script = <<~JS
    (names => { const canvas = new OffscreenCanvas(1, 1).getContext("2d", { willReadFrequently: true }), probe = document.querySelector("#probe")
      return names.map(name => { probe.style.color = `var(${name})`; canvas.clearRect(0, 0, 1, 1); canvas.fillStyle = getComputedStyle(probe).color; canvas.fillRect(0, 0, 1, 1); return [...canvas.getImageData(0, 0, 1, 1).data] }) })
  JS

  define_method(:shown) do |css, names|
    looked_at("moor.html", "<!doctype html><style>#{css}</style><p id=probe></p>")
    page.driver.browser.evaluate("#{script}(#{JSON.generate(names)})")
  end

  it "mixes colours and makes them from others as we do" do
    mixed = {
      "a" => "color-mix(in srgb, #ff0000 25%, blue)", "b" => "color-mix(in oklab, white, black)", "c" => "color-mix(in hsl longer hue, hsl(120 100% 50%), hsl(180 100% 50%))", "d" => "color-mix(in oklch, #E46F58 30%, #231F55)",
      "e" => "color-mix(in lab, #E46F58, #2F8FA3 80%)", "f" => "color-mix(in srgb-linear, #E46F58, #2F8FA3)", "g" => "color-mix(in hwb, #E46F58, #2F8FA3)", "h" => "color-mix(in lch increasing hue, #E46F58, #2F8FA3)",
      "i" => "oklch(from #E46F58 calc(l * 0.9) calc(c * 0.6) h)", "j" => "rgb(from rgb(200 100 50) b g r)", "k" => "hsl(from #4a7f30 calc(h + 180) min(s, 50) clamp(10, l, 40))", "l" => "color(from white srgb 0.5 g calc((r + b) / 4))", "m" => "hwb(from #E46F58 h 20 b)",
      "n" => "color-mix(in xyz, #E46F58, white 20%)", "o" => "lab(from #E46F58 l calc(a / 2) b)", "p" => "var(--none, color-mix(in oklab, var(--a), var(--b)))"
    }
    css = ":root{#{mixed.map { |name, value| "--#{name}: #{value};" }.join}}"
    ours = Magpie::Formats.read(css, name: "moor.css").palette.swatches
    expect(ours.size).to eq mixed.size
    theirs = shown(css, mixed.keys.map { |name| "--#{name}" })
    ours.zip(theirs) { |swatch, (red, green, blue, _)| expect([swatch.name, swatch.colour.hex.scan(/\h\h/).map(&:hex).zip([red, green, blue]).map { |one, two| (one - two).abs }.max]).to match [swatch.name, be <= 1] }
  end

  it "shows the colours of a style sheet of ours" do
    palette = RandomPalettes.new(Random.new(3)).palette(swatches: 40)
    %w[given hex oklch].each do |model|
      sending = Magpie::Formats::Sending.new(palette, Magpie::Formats.find("css"), {"model" => model})
      names = sending.bytes.scan(/^  (--[\w-]+):/).flatten
      plain = names.zip(sending.palette.swatches).reject { |_, swatch| swatch.compound || !swatch.colour.in_srgb? || swatch.colour.alpha < 1 }
      theirs = shown(sending.bytes, plain.map(&:first))
      plain.zip(theirs) { |(name, swatch), (red, green, blue, _)| expect([name, swatch.colour.hex.scan(/\h\h/).map(&:hex).zip([red, green, blue]).map { |one, two| (one - two).abs }.max]).to match [name, be <= 1] }
    end
  end

  it "draws a sheet of ours" do
    swatches = %w[#E46F58 #231F55 oklch(0.68_0.14_34)].map { |text| Magpie::Palette::Swatch.new(name: text, colour: Magpie::Notation.parse(text.tr("_", " "))) }
    looked_at("moor.svg", Magpie::Formats::Svg.write(Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "Dusk", swatches:)])))
    picture = Vips::Image.new_from_buffer(Base64.decode64(page.driver.browser.screenshot(encoding: :base64, format: "png")), "")
    expect([60, 160, 260].map { |x| picture.getpoint(x, 90).first(3) }).to eq [[228, 111, 88], [35, 31, 85], swatches[2].colour.hex.scan(/\h\h/).map(&:hex).map(&:to_f)]
    expect(page.driver.browser.evaluate("document.querySelectorAll('rect title').length")).to eq 3
  end
end
