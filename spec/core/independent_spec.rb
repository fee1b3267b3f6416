require "json"

# Against an independent library's values, see spec/tables/colours.mjs.
RSpec.describe "Conversions of 600 colours" do
  rows = JSON.parse(File.read(File.expand_path("../tables/colours.json", __dir__)))

  # What the table's numbers are in our units.
  scales = {"hsl" => [1, 100, 100], "hsb" => [1, 100, 100], "hwb" => [1, 100, 100]}
  hues = {"hsl" => 0, "hsb" => 0, "hwb" => 0, "lch" => 2, "oklch" => 2}

  (rows.first.keys - %w[rgb other de2000]).each do |model|
    it "to #{model} agree within 1e-4" do
      scale = scales.fetch(model, [1, 1, 1])
      rows.each do |row|
        got = Magpie::Color.new(:srgb, row["rgb"]).in(model.to_sym)
        wanted = row[model].zip(scale).map { |value, factor| value * factor }
        grey = row["rgb"].uniq.size == 1
        got.zip(wanted).each_with_index do |(value, other), index|
          next if hues[model] == index && grey # a grey has no hue
          difference = (value - other).abs
          difference = [difference, 360 - difference].min if hues[model] == index
          expect(difference).to be < 1e-4 * ((other.abs > 1) ? other.abs : 1), "#{row["rgb"]} in #{model}: #{got}, not #{wanted}"
        end
      end
    end
  end

  it "come back within 1e-6" do
    rows.each do |row|
      colour = Magpie::Color.new(:srgb, row["rgb"])
      %i[hsl hsb hwb lab lch oklab oklch display_p3 xyz_d50 rec2020 prophoto_rgb a98_rgb].each do |model|
        colour.to(model).in(:srgb).zip(row["rgb"]) { |got, wanted| expect(got).to be_within(1e-6).of(wanted) }
      end
    end
  end

  it "differ as the library says" do
    rows.each do |row|
      next if row.values_at("rgb", "other").any? { |rgb| rgb.uniq.size == 1 } # the hue of a grey is dust, and counts a little
      got = Magpie::Difference.de2000(*row.values_at("rgb", "other").map { |rgb| Magpie::Color.new(:srgb, rgb) })
      expect(got).to be_within(1e-4).of(row["de2000"])
    end
  end
end
