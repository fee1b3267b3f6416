require "support/sent_forms"

RSpec.describe App, "Deliver" do
  include SentForms

  def app = described_class

  let(:project) { new_project }
  let(:palette) { project.palettes.first }

  describe "a watch address" do
    before do
      keep(project, "Ember", "#E46F58")
      post_with_token("deliver/watch/#{palette.id}")
    end

    def address = last_response.body[%r{value="http://example.org(/palettes/[^"]+)"}, 1]

    it "is read without a session, in any format, as the palette is at that moment" do
      css = address
      expect(css).to match(%r{\A/palettes/[\w-]{32}\.css\z})
      clear_cookies
      get css
      expect([last_response.status, last_response.media_type, last_response.headers["Access-Control-Allow-Origin"], last_response.headers["Cross-Origin-Resource-Policy"], last_response.headers["Set-Cookie"]]).to eq [200, "text/css", "*", "cross-origin", nil]
      expect(last_response.body).to include("--ember: #E46F58;")
      mark = last_response.headers["ETag"]
      get css, {}, "HTTP_IF_NONE_MATCH" => mark
      expect([last_response.status, last_response.body]).to eq [304, ""]
      ember = palette.swatches.find_by!(name: "Ember")
      Changes::ChangeSwatch.perform(project, actor:, swatch: ember, colour: hex("#52A3CC"), definition: "#52A3CC", before: ember.hex)
      get css, {}, "HTTP_IF_NONE_MATCH" => mark
      expect([last_response.status, last_response.body]).to match [200, include("--ember: #52A3CC;")]
      get css.sub(".css", ".tokens.json")
      expect(Magpie::Formats.read(last_response.body).palette.swatches.map(&:name)).to include("Ember")
      get css.sub(".css", ".css?model=oklch&prefix=night&mauve=1&steps=x")
      expect(last_response.body).to include("--night-ember: oklch(")
      get css.sub(".css", ".icc")
      expect(last_response.body).to include("nmcl")
    end

    it "is gone once it is withdrawn, or its palette is, and another is another" do
      first = address
      post_with_token("deliver/watch/#{palette.id}/withdraw")
      expect(get(first).status).to eq 404
      post_with_token("deliver/watch/#{palette.id}")
      second = address
      expect([second == first, get(first).status, get(second).status]).to eq [false, 404, 200]
      [first.sub(".css", ".doc"), first.sub(/.\.css/, ".css"), "/palettes/x.css", "/palettes/.css", "/palettes/#{"a" * 32}.css"].each { |path| expect(get(path).status).to eq 404 }
    end

    it "is the palette's, whoever asks for it twice" do
      first = address
      post_with_token("deliver/watch/#{palette.id}")
      expect(last_response.body).to include(first)
      expect(Watch.count).to eq 1
      post_with_token("deliver/watch/999999")
      expect(last_response.status).to eq 404
    end
  end

  it "keeps what cannot be chosen as it was" do
    keep(project, "Ember", "#E46F58")
    post_with_token("deliver/as", format: "mauve")
    expect(last_response.body).to include("night-open-house-palette.css")
    post_with_token("deliver/options", format: "css", options: {model: "mauve", prefix: "<b>", steps: "999"})
    expect(last_response.body).to include("--b-ember: #E46F58;")
    expect(last_response.body).not_to include("<b>\"")
    ["x", "[]", "{\"css\":3}", "{\"css\":{\"model\":[1]}}"].each { |text| post_with_token("choices", sending_options: text, sending: "mauve", left_out: "x") }
    expect([last_response.status, last_response.body]).to match [200, include("--b-ember: #E46F58;")]
    post_with_token("deliver/options", format: "mauve", options: {model: "hex"})
    expect(last_response.status).to eq 404
  end

  it "refuses to send nothing, and shows pictures of pictures only" do
    post_with_token("deliver/what", ticks: [], palettes: [])
    expect(last_response.body).to include("Nothing is ticked")
    expect(get("/projects/#{project.id}/deliver/file/x.css").status).to eq 422
    expect(get("/projects/#{project.id}/deliver/look/x.css?of=#{palette.id}").status).to eq 404
  end

  it "shows names and notes of a file as text, whatever they hold" do
    post_with_token("imports", files: [upload("Name;Group;Hex\n<script>x()</script>;<i>Sky</i>;#E46F58\n<b>;;nothing\n", "<u>night.csv")])
    expect(last_response.body).to include("&lt;script&gt;x()&lt;/script&gt;", "&lt;i&gt;Sky&lt;/i&gt;", "&lt;u&gt;night.csv")
    expect(last_response.body).not_to match(/<script>x|<i>Sky|<u>night/)
    import = Import.last
    post_with_token("deliver/imports/#{import.id}", into: "", choices: {"0.0" => "mauve", "9.9" => "theirs"})
    expect(Palette.last.swatches.map(&:name)).to eq ["<script>x()</script>"]
    expect(import.reload.palette).to eq Palette.last
  end

  it "takes two hundred files at once, and says so where there are more" do
    post_with_token("imports", files: Array.new(201) { |number| upload("#fff", "#{number}.txt") })
    expect([last_response.status, last_response.body, Import.count]).to eq [413, "More than 200 files came at once. Choose fewer, or send them as a zip of 200 at most", 0]
    post_with_token("imports", files: Array.new(129) { |number| upload("#fff", "#{number}.txt") })
    expect([last_response.status, Import.count]).to eq [200, 129]
  end

  it "reads a file as another format when asked, and says why it cannot" do
    post_with_token("imports", files: [upload("Name,Hex\nEmber,#E46F58\n", "a.csv")])
    import = Import.last
    post_with_token("deliver/imports/#{import.id}/reading", as: "text")
    expect(last_response.body).to include("Text in UTF-8")
    post_with_token("deliver/imports/#{import.id}/reading", as: "text", columns: {"0" => "name", "1" => "hex"})
    expect(last_response.body).to include("Text in UTF-8")
    post_with_token("deliver/imports/#{import.id}/reading", as: "icc")
    expect(import.reload.read_as).to eq "text"
  end
end
