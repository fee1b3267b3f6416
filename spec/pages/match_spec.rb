require "support/pages"
require "support/metamers"

RSpec.describe "Match, as pages", demo: :libraries do
  include Metamers

  def nearest(name)
    hold name
    open_place "match"
    expect(page).to have_css(".match-title", text: "Nearest to #{name}")
  end

  def named = all(".touching-words > b").map(&:text)

  def entry(code) = Entry.find_by!(code:)

  describe "nearest" do
    def sought(text)
      find(".match-search input").set(text)
      sends find(".match-search input")
    end

    def tick(name) = find(".match-tick", text: name).find("input").then { |box| box.click && sends(box) }

    it "puts an entry in a palette as a spot colour, and takes one in hand" do
      nearest "Ember sky"
      click_button "Put in Dusk sky"
      expect(page).to have_content("Kept Hearth clay in Dusk sky")
      expect(swatch("Hearth clay").slice(:code, :kind)).to eq("code" => "TF 088", "kind" => "spot")
      nearest "Nebula teal"
      find(".touching a", match: :first).click
      click_button "Take in hand"
      expect(page).to have_css(".hand-kind", text: "not kept yet")
      expect(page).to have_css(".touching-number", text: "ΔE 0.0", match: :first)
      expect(page).to have_content("A match is noted of a swatch. Keep what is in hand first.")
    end

    it "finds names that are spelt roughly, codes, and notations" do
      nearest "Ember sky"
      {"kingfishr" => "Kingfisher", "tf 88" => "Hearth clay", "TF 088" => "Hearth clay"}.each do |typed, name|
        sought typed
        expect(page).to have_css(".match-title", text: "Called like “#{typed}”")
        expect(page).to have_css(".called b", text: name)
      end
      find(".called a", text: "Hearth clay").click
      expect(page).to have_css(".hand h2", text: "Hearth clay, TF 088")
      sought "lab 24 22 -46"
      expect(page).to have_css(".match-title", text: "Nearest to lab 24 22 -46")
      sought "no such thing at all"
      expect(page).to have_css("h1", text: "Nothing is called so")
    end

    it "asks only what is ticked: fewer libraries, palettes, none" do
      nearest "Ember sky"
      tick "Tarn & Fell"
      expect(named.first).to eq "Brazier"
      expect(page).to have_content("Of 308 entries in three libraries")
      tick "Quillmere house"
      expect(named.first).to eq "Coral"
      expect(page).to have_content("308 entries in three libraries and 21 swatches in one palette")
      expect(named).not_to include "Ember sky"
      ["Lantern", "Bothy", "CSS", "Quillmere house"].each { |name| tick name }
      expect(page).to have_css("h1", text: "Nothing is ticked")
    end

    it "says so where there is no library" do
      Library.update_all(removed_at: Time.now)
      open_place "match"
      expect(page).to have_css("h1", text: "There is no library in the house")
      expect(page).to have_link("Bring in a library", href: /what=libraries/)
    end

    it "shows a far match for what it is" do
      film = Library.find_by!(name: "Bothy cut film")
      Library.where.not(id: film.id).update_all(removed_at: Time.now)
      film.entries.where("b > 0 OR a > 0").delete_all
      nearest "Lamp"
      expect(page).to have_css(".match-far", text: "Nothing in")
      expect(page).to have_css(".touching", text: "another colour")
    end
  end

  describe "on press and in the room" do
    def inks = all(".press-inks td").first(4).map(&:text)

    it "tells inks, all ink with its limit, and whether it is inside, on either press" do
      nearest "Zenith indigo"
      expect(page).to have_css(".press-verdict", text: "Inside the press's gamut")
      expect(inks).to eq %w[93 89 0 52]
      expect(page).to have_css(".press-inks", text: /All ink\s*233 % of 330/)
      select "Uncoated paper, four inks", from: "Press of this project"
      sends find_field("Press of this project")
      expect(page).to have_css(".press-verdict", text: /Outside the press's gamut by ΔE 6\.\d/)
      expect(page).to have_content("It prints duller.")
      click_button "Take the nearest that prints"
      expect(page).to have_css(".press-verdict", text: "Prints as typed")
    end

    it "keeps pure black on the black ink, and says so" do
      nearest "Black"
      expect(inks).to eq %w[0 0 0 100]
      expect(page).to have_content("It is kept on the black ink alone, so that type stays sharp.")
    end

    it "sets a press up, makes it the house's, brings a profile in and refuses what is none" do
      nearest "Screen grey"
      expect(inks.last).not_to eq "0"
      click_link "Presses of the house…"
      find(".press-set summary", text: "Coated paper").click
      within(".press-set", text: "Coated paper") do
        check "Greys on black ink alone"
        click_button "Set up"
      end
      expect(page).to have_content("Set up Coated paper, four inks")
      click_link "Done"
      expect(page).to have_content("A grey: it is kept on the black ink alone, as chosen.")
      expect(inks.first(3)).to eq %w[0 0 0]
      click_button "Undo"
      expect(page).to have_no_content("A grey: it is kept")
      click_link "Presses of the house…"
      bring file("moor.icc", Magpie::Press.shipped[1].profile.sub("Uncoated", "Moorland"))
      expect(page).to have_content("Brought in the press Moorland paper, four inks")
      find(".press-set summary", text: "Moorland").click
      within(".press-set", text: "Moorland") { click_button "Make it the house's" }
      expect(page).to have_content("Moorland paper, four inks is the press of the house now")
      expect(Condition.usual.name).to eq "Moorland paper, four inks"
      bring file("moor.jpg", flat_picture(9, 9, [90, 90, 20]).jpegsave_buffer)
      expect(find(".notice-wrong")).to have_content("moor.jpg: it is no ICC profile")
    end

    it "shows the pair under other lights, as an estimate; from spectra where both have one, with a warning where they part" do
      nearest "Ember sky"
      expect(all(".room figcaption").map { |each| each.text[/[a-z ]+/].strip }).to eq ["bright light", "warm lamp", "dusk"]
      expect(page).to have_content("An estimate")
      light = Magpie::Spectrum.checked(380, 10, (0..40).map { |step| 0.3 + step * 0.008 })
      one, other = entry("TF 088"), entry("TF 089")
      {one => light, other => planted(light, 0.2)}.each { |each, spectrum| each.update!(spectrum:, **Entry.measured(spectrum.color)) }
      visit "/projects/#{demo.id}/match?entry=e#{one.id}"
      click_button "Take in hand"
      visit "/projects/#{demo.id}/match?entry=e#{other.id}"
      expect(page).to have_css(".room figure", count: 4)
      expect(page).to have_content("From both spectra, by illuminants D50, A and F11.")
      expect(page).to have_css(".room-warning", text: /Light warning\. Under warm lamp and shop tubes they part: ΔE \d+\.\d, and 0\.0 in daylight/)
    end
  end

  describe "whole palettes" do
    def row(name) = find(".pairs tbody tr", text: /\A#{name}/)

    def ticked?(name) = row(name).find("[role=checkbox]")["aria-checked"] == "true"

    before { open_place "match/palette" }

    it "are one table: what is near is ticked, what is taken twice and what is far is said" do
      expect(page).to have_css(".pairs tbody tr", count: 21)
      expect(row("Ember sky").text.squish).to match(/Hearth clay TF 088.*1\.3/)
      expect([ticked?("Ember sky"), ticked?("Zenith indigo")]).to eq [true, false]
      expect(row("Coral")).to have_content("same as Ember sky's")
      expect(row("Rosehip")).to have_content("nothing within ΔE 5")
      sums = all(".match-side .press-inks tr").to_h { |each| [each.find("th").text, each.find("td").text.to_i] }
      expect(sums.values.drop(1).sum).to eq 21
      expect(page).to have_css(".hand h2", text: "#{sums["Within ΔE 2.5"]} of 21 rows ticked")
      expect(page).to have_css(".matched-pair", minimum: 2)
    end

    it "have all that are ticked noted in one undo, and no colour changes" do
      colours = Swatch.order(:id).pluck(:id, :hex)
      row("Coral").find("[role=checkbox]").click
      expect(ticked?("Coral")).to be false
      noted = find(".hand-middle h2").text.to_i
      click_button "Note #{noted} matches"
      expect(page).to have_content("Noted #{noted} matches. No colour changed")
      expect([Swatch.where.not(entry_id: nil).count, Swatch.order(:id).pluck(:id, :hex)]).to eq [noted, colours]
      expect(swatch("Coral").entry).to be_nil
      click_button "Undo"
      expect(Swatch.where.not(entry_id: nil).count).to eq 0
    end

    it "make a palette, and give their table as CSV" do
      click_link "Table as CSV"
      table = CSV.parse(downloaded.force_encoding("UTF-8").delete_prefix("\uFEFF"), headers: true)
      line = {"Match" => "Hearth clay", "Code" => "TF 088", "Library" => "Tarn & Fell masonry paints", "In words" => "close", "Ticked" => "yes"}
      expect([table.size, table.find { |each| each["Name"] == "Ember sky" }.to_h]).to match [21, a_hash_including(line)]
      open_place "match/palette"
      find("button", text: /New palette of \d+/).click
      expect(page).to have_content("Quillmere house, matched is a palette of the project now")
      expect(Palette.find_by!(name: "Quillmere house, matched").swatches.where(kind: "spot").count).to be > 5
    end

    it "are an artwork's, too, with what follows no swatch" do
      Changes::RemoveSwatches.perform(demo, actor:, swatches: [swatch("Lamp")])
      open_place "match/palette"
      select "Poster", from: "What is looked at"
      sends find_field("What is looked at")
      expect(page).to have_css(".pairs thead", text: "Colour")
      expect(page).to have_css(".pairs tbody th", text: "#FFCE5C")
      expect(page).to have_css(".matched-head", text: "Poster, as it is and as matched")
    end

    it "show text that can be read, and move lightness alone where it cannot" do
      click_link "Text on grounds"
      expect(page).to have_content("pairs of Quillmere house reach 4.5 : 1")
      ratio = Magpie::Contrast.ratio(hex("#A35166"), hex("#5F3566"))
      find("a[title^='Rosehip on Plum hour']").click
      expect(page).to have_css(".readable-ratio", text: format("%.2f : 1", ratio))
      click_button "Change Rosehip to it"
      expect(page).to have_css(".readable-ratio", text: /4\.[5-9]/)
      was, is = [hex("#A35166"), swatch("Rosehip").colour].map { |colour| colour.in(:oklch) }
      expect(is[2]).to be_within(2).of(was[2])
      expect(is[0]).to be > was[0] + 0.1
    end
  end
end
