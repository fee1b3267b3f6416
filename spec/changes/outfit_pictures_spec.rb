RSpec.describe DrawnOutfit, :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }

  def keep(key, name) = Changes::KeepOutfit.perform(project, actor:, artwork: poster, numbers: numbers(poster, key), palette: project.palettes.first, name:)

  it "keeps lines, grain and patterns, with a picture of themselves" do
    inks = %w[#231F55 #FFCE5C].map { |text| Magpie::Palette::Compound::Ink.new(colour: hex(text), offset: 0.0) }
    Changes::PaintParts.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), role: "fill", paint: Magpie::Palette::Compound.new(form: "twill", angle: 0.0, size: 30.0, inks:), laid: Magpie::Artwork::Tiling.new(turn: 20.0))
    Changes::SetSettings.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), settings: {width: 6.0, side: "inside", run: "double", grain: 0.3, dash: "none"})
    woven = keep("moor", "Woven")
    picture = DrawnOutfit.with([woven.id]).first.picture
    expect(CGI.unescape(picture)).to include("<g", "mask", "pattern", "#FFCE5C")
    plain = keep("dome_slit", "Slit")
    expect(DrawnOutfit.with([plain.id]).first.picture).to be_nil
    Changes::WearOutfit.perform(project, actor:, artwork: poster, numbers: numbers(poster, "dome_roof"), outfit: woven)
    expect(PartSettings.new(poster, numbers(poster, "dome_roof")).all.values.first.to_h).to include(width: 6.0, side: "inside", run: "double", grain: 0.3)
    expect(place(poster, "dome_roof").laid).to eq Magpie::Artwork::Tiling.new(turn: 20.0)
    Changes::SetSettings.perform(project, actor:, artwork: poster, numbers: numbers(poster, "moor"), settings: {grain: 0.6})
    expect(place(poster, "moor").outfit_id).to be_nil
  end
end
