RSpec.describe Health, :data do
  let(:project) { new_project }
  let(:palette) { project.palettes.first.reload }
  let(:group) { project.groups.first }

  def checks = described_class.new(actor, Palette.includes(groups: :swatches).find(palette.id)).checks.to_h { |check| [check.key, check.found] }

  def names(found) = found.map { |item| item.swatches.map { |swatch| swatch.try(:name) || swatch.hex } }

  it "names twins, the shared one first, and takes the palette's own limit" do
    coral, ember = keep(project, "Coral", "#E2705A"), keep(project, "Ember", "#E46F58")
    share(project, ember, ticks: [])
    expect(names(checks["twins"])).to eq [%w[Ember Coral]]
    Changes::EditPalette.perform(project, actor:, palette:, limits: {"twins" => 0.3})
    expect(checks["twins"]).to eq []
    expect(coral.reload.shared).to be false
  end

  it "counts as used what places follow, hold, or tints and inks depend on" do
    bring_in_poster(project)
    ember, lamp, peat, mist = {"Ember" => "#E46F58", "Lamp" => "#FFCE5C", "Peat" => "#0A0B0C", "Mist" => "#123454"}.map { |name, text| keep(project, name, text) }
    share(project, ember)
    Changes::KeepTint.perform(project, actor:, parent: peat, percent: 40)
    inks = [mist, ember].map { |swatch| Magpie::Palette::Compound::Ink.new(colour: swatch.colour, reference: swatch.id, offset: 0.0) }
    Changes::KeepPaint.perform(project, actor:, paint: Magpie::Palette::Compound.new(form: "stripes", angle: 0.0, size: 6.0, inks:), group:, name: "Bars")
    unused = names(checks["unused"]).flatten
    expect(unused).to include("Peat 40 %", "Bars", "Cut line")
    expect(unused & %w[Ember Lamp Peat Mist]).to eq []
    expect(lamp.reload.shared).to be false # held by places though it is loose
  end

  it "counts everything and tells the first two hundred" do
    Changes::KeepGroup.perform(project, actor:, palette:, name: "Greys", colours: Array.new(30) { hex("#777777") })
    twins = described_class.new(actor, Palette.includes(groups: :swatches).find(palette.id)).checks.first
    expect([twins.count, twins.found.size]).to eq [30 * 29 / 2, described_class::LISTED]
  end

  it "brings what the press cannot print to what it makes of it, and that is inside" do
    keep(project, "Signal green", "#00FF40")
    item = checks["press"].find { |each| each.subject.name == "Signal green" }
    expect(item.words).to match(/\Aprints as #\h{6}, ΔE \d+\.\d\z/)
    expect(Magpie::Press.usual.proof(item.remedy)[:de2000]).to be < Magpie::Press::OUTSIDE
  end

  it "sets apart two that look alike with a deficiency" do
    keep(project, "Berry", "#B03A2E")
    keep(project, "Moss", "#5D6B12")
    Changes::EditPalette.perform(project, actor:, palette:, limits: {"confusable" => 9.0})
    item = checks["confusable"].find { |each| each.swatches.map(&:name) == %w[Berry Moss] }
    expect(item.words).to match(/without (red|green) cones/)
    apart = Magpie::Vision::KINDS.map { |kind| Magpie::Difference.de2000(*[hex("#B03A2E"), item.remedy].map { |colour| Magpie::Vision.seen(colour, kind) }) }
    expect(apart.min).to be > 9
  end

  it "finds where a ramp turns back, and ordering mends it" do
    %w[#231F55 #5F3566 #E46F58 #A35166 #F3BA70].each_with_index { |text, index| keep(project, "Step #{index + 1}", text) }
    expect(checks["reversal"].map(&:words)).to eq ["First colours turns back at Step 4"]
    Changes::OrderSwatches.perform(project, actor:, swatches: group.swatches.to_a, key: "lightness")
    expect(checks["reversal"]).to eq []
  end

  describe "text on its ground" do
    let(:drawing) { <<~SVG }
      <svg xmlns="http://www.w3.org/2000/svg" width="200" height="100">
        <rect id="wall" width="200" height="100" fill="#E0E1E8"/>
        <g transform="translate(100 0)"><rect id="board" width="100" height="100" fill="#5F3566"/></g>
        <text id="on_wall" x="8" y="60" font-size="40" fill="#A9ADB8">Way</text>
        <text id="on_board" x="108" y="60" font-size="40" fill="#C24E86">in</text>
        <text id="hidden" x="108" y="90" font-size="20" fill="none">out</text>
      </svg>
    SVG

    it "is measured on what lies under it as drawn, and adjusted just enough" do
      Changes::BringInArtwork.perform(project, actor:, name: "sign.svg", bytes: drawing)
      mist, pink = keep(project, "Mist", "#A9ADB8"), keep(project, "Pink", "#C24E86")
      [mist, pink].each { |swatch| share(project, swatch) }
      expect(checks["contrast"].map(&:words)).to eq ["On wall on Wall in Sign: 1.7 : 1", "On board on Board in Sign: 2.1 : 1"]
      item = checks["contrast"].last
      expect(Magpie::Contrast.ratio(hex(item.remedy.hex), hex("#5F3566"))).to be_between(4.5, 4.8)
      Changes::ChangeSwatches.perform(project, actor:, colours: {pink.reload => item.remedy}, what: "Adjusted Pink")
      expect(checks["contrast"].map(&:words)).to eq ["On wall on Wall in Sign: 1.7 : 1"]
    end

    it "is measured with the opacity of text, part and group, whoever has it" do
      faint = drawing.sub('fill="#A9ADB8"', 'fill="#000" fill-opacity="0.1"').sub('fill="#C24E86"', 'fill="#FFF" opacity="0.2"').sub("<g transform", '<g opacity="50%" transform')
      Changes::BringInArtwork.perform(project, actor:, name: "sign.svg", bytes: faint)
      [keep(project, "Ink", "#000"), keep(project, "Paper", "#FFF")].each { |swatch| share(project, swatch) }
      expect(checks["contrast"].map(&:words)).to contain_exactly("On wall on Wall in Sign: 1.2 : 1", "On board on Board in Sign: 1.2 : 1")
      expect(checks["contrast"].map(&:remedy)).to eq [nil, nil] # no lightness is enough at a tenth
    end

    it "names the part below each text in the core" do
      artwork = Magpie::Artwork.read(drawing, name: "sign.svg")
      paints = artwork.places.to_h { |place| [[place.part, place.role], place.paint] }
      expect(Magpie::Painters::Grounds.of(artwork.template, paints)).to eq("on_wall" => "wall", "on_board" => "board")
    end
  end
end
