RSpec.describe "Colourways", :data do
  let(:project) { new_project }
  let!(:poster) { bring_in_poster(project) }
  let(:ember) { keep(project, "Ember", "#E46F58").tap { |swatch| share(project, swatch) }.reload }
  let(:teal) { keep(project, "Teal", "#2F8FA3").tap { |swatch| share(project, swatch) }.reload }

  def add(from = poster, **given) = Changes::AddColourway.perform(project, actor:, artwork: from, **given)

  def dress(artwork, *keys, with:, role: "fill") = Changes::DressParts.perform(project, actor:, artwork:, numbers: numbers(poster, *keys), role:, content: with && Hand::Content.of_swatch(with))

  # What is seen of a part: the swatch that it follows, or its hex.
  def seen(artwork, key, role = "fill")
    place = artwork.places.includes(:swatch).joins(:part).find_by!(parts: {key:}, role:)
    place.swatch&.name || place.hex
  end

  def own(artwork) = Place.where(artwork_id: artwork.id).count

  it "look like the one that they are made from, and hold nothing until they differ" do
    winter = add(name: "Winter hours", note: "For December")
    expect([winter.name, winter.note, winter.colourway?, own(winter)]).to eq ["Poster, Winter hours", "For December", true, 0]
    expect(Dressing.new(winter).paints).to eq Dressing.new(poster).paints
    dress(winter, "moor", with: teal)
    expect([own(winter), seen(winter, "moor"), seen(poster, "moor")]).to eq [1, "Teal", "#121720"]
    daytime = add(winter)
    expect([own(daytime), seen(daytime, "moor"), daytime.colourway]).to eq [1, "Teal", "Colourway 3"]
    expect(add(name: "Winter hours").colourway).to eq "Winter hours 2"
  end

  it "follow the first where they do not differ, and keep what is theirs" do
    winter = add
    dress(winter, "moor", with: teal)
    dress(poster, "moor", "dome_slit", with: ember)
    expect([seen(winter, "moor"), seen(winter, "dome_slit"), own(winter)]).to eq ["Teal", "Ember", 1]
    Changes::ChangeSwatch.perform(project, actor:, swatch: ember.reload, colour: hex("#52A3CC"), definition: "", before: "#E46F58")
    expect(Dressing.new(winter).paints[["dome_slit", "fill"]].colour.hex).to eq "#52A3CC"
  end

  it "lose what is the first's again, whichever way it comes about" do
    winter = add
    dress(poster, "moor", with: ember)
    dress(winter, "moor", with: teal)
    dress(winter, "moor", with: ember)
    expect(own(winter)).to eq 0
    numbers = numbers(poster, "moor")
    2.times { Changes::ExchangePaints.perform(project, actor:, artwork: winter, numbers:) }
    expect(own(winter)).to eq 0
    [0.5, 1.0].each { |opacity| Changes::SetOpacity.perform(project, actor:, artwork: winter, numbers:, role: "fill", opacity:) }
    expect(own(winter)).to eq 0
    expect([seen(winter, "moor"), seen(poster, "moor")]).to eq %w[Ember Ember]
  end

  it "are set back by parts or whole" do
    winter = add
    dress(winter, "moor", "dome_slit", "title", with: teal)
    undone { Changes::ResetParts.perform(project, actor:, artwork: winter, numbers: numbers(poster, "moor")) }
    expect([own(winter), seen(winter, "moor"), seen(winter, "title")]).to eq [2, "#121720", "Teal"]
    Changes::ResetParts.perform(project, actor:, artwork: winter)
    expect(own(winter)).to eq 0
    expect { Changes::ResetParts.perform(project, actor:, artwork: winter) }.to raise_error(Magpie::Error, "Nothing there differs from First")
    expect { Changes::ResetParts.perform(project, actor:, artwork: poster) }.to raise_error(Magpie::Error, "First is the first colourway of Poster: there is nothing to go back to")
  end

  it "can each become the first, and all look as before" do
    winter, daytime = add(name: "Winter hours"), add(name: "Daytime")
    dress(winter, "moor", "title", with: teal)
    dress(daytime, "moor", with: ember)
    seen = -> { Artwork.family(poster.id).map { |each| [each.colourway, Dressing.new(each).paints] }.sort_by(&:first) }
    before = seen.call
    undone { Changes::MakeFirst.perform(project, actor:, artwork: winter) }
    expect(seen.call).to eq before
    expect(poster.reload.colourway).to eq "Winter hours"
    expect([own(winter), own(daytime)]).to eq [2, 2] # the former first; the title that Daytime shows stays what it was
    dress(poster, "dome_slit", with: teal)
    expect([winter, daytime].map { |each| seen(each, "dome_slit") }).to eq %w[Teal Teal]
    expect { Changes::MakeFirst.perform(project, actor:, artwork: poster) }.to raise_error(Magpie::Error, /it is that already/)
  end

  it "are named, ordered and removed, the first excepted; all is undone" do
    ways = Array.new(3) { add }
    undone { Changes::EditColourway.perform(project, actor:, artwork: ways[0], name: "Dusk", note: "x") }
    undone { Changes::MoveColourway.perform(project, actor:, artwork: ways[2], by: -2) }
    Changes::MoveColourway.perform(project, actor:, artwork: ways[2], by: -9)
    order = -> { Artwork.where(first_id: poster.id, removed_at: nil).order(:position).ids }
    expect(order.call).to eq ways.values_at(2, 0, 1).map(&:id)
    undone { Changes::RemoveColourway.perform(project, actor:, artwork: ways[0]) }
    expect(order.call).to eq ways.values_at(2, 1).map(&:id)
    expect { Changes::RemoveColourway.perform(project, actor:, artwork: poster) }.to raise_error(Magpie::Error, /make another one the first/)
    expect { Changes::EditColourway.perform(project, actor:, artwork: ways[0], name: " ") }.to raise_error(Magpie::Error, "A colourway needs a name")
  end

  it "come back to their artwork only while it is there" do
    winter = add(name: "Winter hours")
    Changes::RemoveColourway.perform(project, actor:, artwork: winter)
    removed = RecordedChange.order(:id).last
    Changes::RemoveArtwork.perform(project, actor:, artwork: poster)
    expect { Changes::History.undo(project, removed.id, actor:) }.to raise_error(Magpie::Error, /cannot be undone: “Removed Poster” came later and stands on it/)
    expect(winter.reload.removed_at).not_to be_nil
    2.times { undo(project) }
    expect([poster, winter].map { |each| each.reload.removed_at }).to eq [nil, nil]
  end

  it "are told apart wherever places are counted" do
    winter = add(name: "Winter hours")
    dress(poster, "moor", with: teal)
    dress(winter, "title", with: teal)
    expect(Reach.new(actor, [teal.id]).shown.map { |artwork, places| [artwork.name, places] }).to match_array [["Poster", 1], ["Poster, Winter hours", 1]]
    expect(Reach.new(actor, [teal.id]).words).to eq "2 places in 1 artwork and 1 colourway"
    uses = ->(*artworks) { ArtworkColours.new(artworks).linked.to_h { |chip, uses| [chip.name, uses.total] }["Teal"] }
    expect([uses.call(poster), uses.call(winter), uses.call(poster, winter)]).to eq [1, 2, 2]
  end

  it "are written alone where only they are meant, and with the first where that is" do
    winter = add
    swap = ->(*artworks) { Changes::SwapColour.perform(project, actor:, artworks:, from: "#121720", content: Hand::Content.of_swatch(teal)).swapped }
    expect(swap.call(winter)).to eq 1
    expect([seen(winter, "moor"), seen(poster, "moor"), own(winter)]).to eq ["Teal", "#121720", 1]
    undo(project)
    expect(swap.call(poster, winter)).to eq 1
    expect([seen(winter, "moor"), seen(poster, "moor"), own(winter)]).to eq ["Teal", "Teal", 0]
  end

  describe Changes::SwapPalette do
    it "gives all colours at once, so that two change places" do
      dress(poster, "moor", "title", with: teal)
      dress(poster, "dome_slit", with: ember)
      undone { described_class.perform(project, actor:, artworks: [poster], swaps: {teal.id => ember, ember.id => teal}) }
      expect(%w[moor title dome_slit].map { |key| seen(poster, key) }).to eq %w[Ember Ember Teal]
    end

    it "is shown beforehand as it comes to be" do
      winter = add
      dress(poster, "moor", with: teal)
      loose = keep(project, "Loose", "#C24E86")
      swaps = {teal.id => ember, "#5F3566" => teal, "#A35166" => loose}
      colours = ->(dressing) { dressing.paints.transform_values { |paint| [paint.kind, paint.colour&.hex, paint.opacity] } }
      before = colours.call(Dressing.new(winter, swaps: swaps.transform_values(&:id)))
      expect(described_class.perform(project, actor:, artworks: [winter], swaps:).swapped).to eq 3
      expect(colours.call(Dressing.new(winter))).to eq before
      expect([seen(winter, "plum_band"), seen(poster, "plum_band"), seen(winter, "rosehip_band")]).to eq ["Teal", "#5F3566", "#C24E86"]
    end

    it "shows beforehand only what there is" do
      paints = ->(swaps) { Dressing.new(poster, swaps:).paints }
      expect(paints.call("#121720" => 10**9)).to eq paints.call({})
    end

    it "says where nothing holds any of them" do
      expect { described_class.perform(project, actor:, artworks: [poster], swaps: {"#010203" => teal}) }.to raise_error(Magpie::Error, /No place holds any/)
    end
  end

  describe Places::Dress::Swaps do
    it "reads what it writes, and says what is none" do
      swaps = {12 => 3, "#E46F58" => 4, "#E46F5880" => 5}
      expect(described_class.read(described_class.write(swaps))).to eq swaps
      ["x", "s1", "1-2", "s1-", "#E46F58-1", "E46F5-1", "s1-2-3"].each { |text| expect { described_class.read(text) }.to raise_error(Magpie::Error, /is no swap/), text }
      expect { described_class.read((["s1-2"] * 401).join(".")) }.to raise_error(Magpie::Error, "401 colours at once: the limit is 400")
    end
  end
end
