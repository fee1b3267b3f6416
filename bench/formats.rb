# Fifty thousand colours in and out of every format. The baseline is reading, or writing,
# as many bytes as lines of numbers, the least that any of them does.
module Bench
  module Formats
    COUNT = Bench.many(50_000, 200)
    # A drawing has 10 MB and 50,000 elements at most, a chip with its code six.
    COUNTS = {"svg" => Bench.many(8_000, 200)}.freeze

    module_function

    def rows
      Magpie::Formats.written.each do |format|
        Bench.try("Colours as #{format.in_words}") { both_ways(format) } unless format.key == "picture"
      end
    end

    def both_ways(format)
      count = COUNTS.fetch(format.key, COUNT)
      palette = palette(count)
      bytes = nil
      out = Bench.median(1) { bytes = Magpie::Formats::Sending.new(palette, format).bytes }
      back = Bench.median(1) do
        result = Magpie::Formats.read(bytes, name: "moor#{format.ending}", as: format.key)
        raise format.key unless result.palette.swatches.size == count
      end
      plain = Bench.median(1) { bytes.b.scan(/[\d.]+/n).each(&:to_f) }
      beside = ->(taken) { "#{(taken / plain).round(1)} × its numbers read plainly" }
      what = "#{Magpie::Text.thousands(count)} colours as #{format.in_words}, #{(bytes.bytesize / 1e6).round(1)} MB"
      Bench.row "#{what}, out", out, "< 3,000 ms", beside.call(out)
      Bench.row "The same in", back, "< 5,000 ms", beside.call(back)
    end

    # Measured colours with names and codes, as a large library has them.
    def palette(count)
      random = Random.new(1)
      swatches = Array.new(count) do |index|
        Magpie::Palette::Swatch.new(name: "Tarn #{index}", code: "TF #{index}", colour: Magpie::Color.new(:lab, [random.rand(20.0..95.0).round(4), random.rand(-25.0..25.0).round(4), random.rand(-25.0..25.0).round(4)]))
      end
      Magpie::Palette.new(name: "Tarn & Fell", groups: [Magpie::Palette::Group.new(name: "Tarn & Fell", swatches:)])
    end
  end
end
