require "support/dress_screens"
require "support/fidelity"

RSpec.describe "Dress, patterns", :screen do
  include Fidelity

  before { open_dress }

  def paint(key = "plum_band") = Dressing.new(poster).paints.fetch([key, "fill"])

  it "are chosen from a set in the inks that are there, each of which follows its swatch" do
    hold "Lamp"
    click_link "Pick parts"
    click_part "plum_band"
    click_button "Pattern"
    expect_done "Painted Plum band with a pattern"
    expect(page).to have_css(".picked-stops h2", text: "2 inks")
    find("#tiles summary").click
    expect(page).to have_css(".tiles-sheet .tile", count: 24)
    click_button "Herringbone"
    expect_done "Painted Plum band with a pattern"
    expect(page).to have_css(".tile-now", text: "Herringbone")
    fill_in "Repeat of the pattern", with: "40"
    keys :enter
    eventually { expect([paint.compound.form, paint.compound.size]).to eq ["herringbone", 40] }
    fill_in "Angle of the pattern in degrees", with: "30"
    keys :enter
    eventually { expect(paint.compound.angle).to eq 30 }
    expect(paint.compound.inks.map(&:reference)).to eq(["Plum hour", "Lamp"].map { |name| Swatch.find_by!(name:).id })
    click_button "Tartan"
    expect(page).to have_css(".picked-stops h2", text: "4 inks")
    find(".stop:nth-child(4) input[name=stop]", visible: :all).choose(allow_label_click: true)
    hold "Ember sky"
    click_link "Pick parts"
    within(".picked-stops") { click_button "Give" }
    ember = Swatch.find_by!(name: "Ember sky")
    eventually { expect(paint.compound.inks[3].reference).to eq ember.id }
    Changes::ChangeSwatch.perform(demo, actor:, swatch: ember, colour: hex("#2F8FA3"), definition: "", before: ember.hex)
    expect(paint.compound.inks[3].colour.hex).to eq "#2F8FA3"
  end

  # In librsvg at a size at which a repeat is whole px: it draws one tile, and where that is no
  # whole px it draws the others from it a little unsharp.
  it "look alike on the page, in SVGs and in pictures" do
    Changes::SetSettings.perform(demo, actor:, artwork: poster, numbers: poster.parts.where(key: %w[title house]).pluck(:position), settings: {hidden: true})
    lamp = Swatch.find_by!(name: "Lamp")
    Magpie::Palette::Compound::PATTERNS.each_slice(6) do |forms|
      %w[night_sky plum_band rosehip_band ember_band apricot_band moor].zip(forms) do |key, form|
        made = Magpie::Palette::Compound.new(form:, angle: 0.0, size: 16.0, inks: [])
        made.size = (made.tile&.width || 8) * 2
        inks = Array.new(made.counts.begin) { |index| Magpie::Palette::Compound::Ink.new(colour: hex(%w[#231F55 #FFCE5C #E46F58 #2F8FA3][index]), offset: 0.0, reference: (lamp.id if index == 1)) }
        Changes::PaintParts.perform(demo, actor:, artwork: poster, numbers: numbers(poster, key), role: "fill", paint: made.with(inks:))
      end
      open_dress
      found = {**differences(looks(poster).reject { |name, _| name.include?("librsvg") }), **differences(looks_in_size(poster))}
      expect(found.values.max).to be < 0.5, "#{forms}: #{found}"
    end
  end
end
