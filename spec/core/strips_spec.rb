# What is narrow beyond measure, on all ways that look at some of the pixels, or make them fewer:
# a side that is less than a step is looked at once, not never.
RSpec.describe "Pictures that are strips" do
  [[1, 60_000], [60_000, 1], [2, 9_000], [9_000, 3]].each do |width, height|
    describe "of #{width} × #{height}" do
      # Two fields of colour, one after the other.
      let(:picture) do
        fields = [[200, 60, 30], [30, 60, 200]].map { |colour| Vips::Image.black(*half, bands: 3).linear([1, 1, 1], colour).cast(:uchar) }
        joined = fields.reduce { |one, other| one.join(other, (height > width) ? :vertical : :horizontal) }
        Magpie::Picture.read(joined.copy(interpretation: :srgb).pngsave_buffer)
      end

      let(:half) { (height > width) ? [width, height / 2] : [width / 2, height] }

      define_method(:aim) { |**how| Magpie::Picture::Fill::Aim.new(x: width / 4, y: height / 4, tolerance: 8.0, **how) }

      it "have main colours, with their shares and places" do
        main = Magpie::Picture::MainColours.new(Magpie::Picture::Cells.new(picture), count: 2).to_a
        expect(main.map { |each| [each.colour.hex, each.share.round(3)] }).to match_array [["#C83C1E", 0.5], ["#1E3CC8", 0.5]]
        main.each { |each| expect(picture.at(*each.at, probe: 1).average.hex).to eq each.colour.hex }
      end

      it "are filled: half of one by what hangs together, or by what is alike over gaps" do
        [{}, {everywhere: true, gap: 8, soft: 1.0}].each do |how|
          fill = Magpie::Picture::Fill.find(picture, aim(**how))
          expect(fill.share).to be_within(0.01).of(0.5)
          expect(Vips::Image.pngload_buffer(fill.mask).avg).to be > 240
          expect(fill.outline).to start_with "M"
        end
        expect(Magpie::Picture::Fill.sketch(picture, aim).outline).to start_with "M"
      end

      it "are read by a patch, and by a square that is wider" do
        region = Magpie::Picture::Probe.patch(picture, width / 4, height / 4, 8.0)
        expect(picture.read(region).average.hex).to eq "#C83C1E"
        expect(picture.at(width / 4, height / 4, probe: 31).average.hex).to eq "#C83C1E"
      end
    end
  end
end
