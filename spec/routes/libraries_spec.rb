require "support/sent_forms"
require_relative "../../db/demo/libraries/make"

RSpec.describe App, "libraries" do
  include SentForms

  def app = described_class

  let(:project) { new_project }
  let(:file) { DemoLibraries.files.fetch("bothy-cut-film.cgats") }
  let(:library) { bring_in(file, "bothy-cut-film.cgats") }

  def bring_in(bytes, name, **values)
    post_with_token("imports", files: [upload(bytes, name)])
    post_with_token("deliver/imports/#{Import.last.id}", into: "library", **values)
    Library.last
  end

  def page(**query) = get("/projects/#{project.id}/deliver/libraries/#{library.id}", query).body

  def refused(words, path, **values)
    expect { post_with_token(path, **values) }.not_to change { [Entry.all.map(&:attributes), Library.all.map(&:attributes)] }
    expect(last_response.body).to include(words)
  end

  it "come in from a file with what is written of them, and give it back to the byte" do
    expect([library.file, library.entries.count, library.entries.first.inks]).to match ["bothy-cut-film.cgats", 64, [Float, Float, Float, Float]]
    get "/projects/#{project.id}/deliver/libraries/#{library.id}/file"
    expect([last_response.body, last_response.headers["Content-Disposition"]]).to match [file.b, include("attachment", "bothy-cut-film.cgats")]
    other = bring_in("Name,Hex\nEmber,#E46F58\n", "a.csv", about: {name: "Tarns", condition: "on slate", licence: "", mauve: "x"})
    expect([other.name, other.condition, other.licence, other.note]).to eq ["Tarns", "on slate", nil, nil]
  end

  it "serve every project, and go out from it" do
    elsewhere = new_project("Winter hours")
    library
    expect(get("/projects/#{elsewhere.id}/deliver?what=libraries").body).to include("Bothy")
    get "/projects/#{elsewhere.id}/deliver/file/x.cgats?library=#{library.id}"
    expect(last_response.status).to eq 200
    expect(get("/projects/#{project.id}/deliver?what=libraries&library=#{library.id}").body).to include("Download 64 colours")
  end

  it "refuse what is no value, no press value or no name, and say which" do
    at = "deliver/libraries/#{library.id}/entries"
    refused "An entry needs a value", at, fields: {name: "Ember"}
    refused "An entry needs a name", at, fields: {name: ""}, value: "#E46F58"
    refused "An entry needs a name", at, value: "#E46F58"
    ["1 2 3", "1 2 3 4 5", "0 0 0 101", "-1 0 0 0", "a b c d", "nan 0 0 0"].each { |inks| refused "expected four numbers from 0 to 100", at, fields: {name: "Ember"}, value: "#E46F58", inks: }
    refused "mauve", at, fields: {name: "Ember"}, value: "mauve"
    refused "A library needs a name", "deliver/libraries/#{library.id}", fields: {name: " "}
    first = library.entries.first
    refused "was changed meanwhile", "#{at}/#{first.id}", fields: {name: "Ember"}, saw: {name: "Something else"}
  end

  it "are not there for what is wrong, removed, or another's" do
    at, entry = "deliver/libraries/#{library.id}", library.entries.first
    other = bring_in("Name,Hex\nEmber,#E46F58\n", "a.csv")
    expect(post_with_token("deliver/libraries/#{other.id}/entries/#{entry.id}", fields: {name: "x"}).status).to eq 404
    expect(post_with_token("#{at}/entries/#{entry.id}/remove").status).to eq 200
    expect(post_with_token("#{at}/entries/#{entry.id}", fields: {name: "x"}).status).to eq 404
    expect(page(entry: entry.id)).to include("About it")
    post_with_token("#{at}/remove")
    [at, "#{at}/file", "deliver?library=#{library.id}", "deliver/file/x.css?library=#{library.id}"].each { |path| expect(get("/projects/#{project.id}/#{path}").status).to eq 404 }
    [at, "#{at}/remove", "#{at}/entries", "#{at}/entries/#{entry.id}"].each { |path| expect(post_with_token(path, fields: {name: "x"}, value: "#000").status).to eq 404 }
    get "/projects/#{project.id}/deliver/libraries/#{other.id}/file"
    expect(last_response.status).to eq 200
  end

  it "say so where a newer version took an entry away that is edited" do
    at, entry = "deliver/libraries/#{library.id}", library.entries.first
    Changes::BringInLibrary.perform(project, actor:, value: library.value, into: library)
    refused "A newer version of Bothy cut film came in meanwhile", "#{at}/entries/#{entry.id}", fields: {name: "x"}
    refused "Look at #{entry.in_words} there", "#{at}/entries/#{entry.id}/remove"
  end

  it "show names as text, whatever they hold, and take searches as text" do
    bad = bring_in("Name;Group;Hex\n<script>x()</script>;<i>Sky</i>;#E46F58\n100 % moor_;;#000000\n", "<u>moor.csv")
    body = get("/projects/#{project.id}/deliver/libraries/#{bad.id}").body
    expect(body).to include("&lt;script&gt;x()&lt;/script&gt;", "&lt;i&gt;Sky&lt;/i&gt;", "&lt;u&gt;moor.csv")
    expect(body).not_to match(/<script>x|<i>Sky|<u>moor/)
    found = ->(search) { get("/projects/#{project.id}/deliver/libraries/#{bad.id}", search:).body.scan('class="entry-chip"').size }
    expect(["%", "_", "\\", "SKY", "\"><b>", "moor_"].map(&found)).to eq [1, 1, 0, 1, 0, 1]
  end

  it "lie on pages of 100, and one that is asked for opens the page that it lies on" do
    many = bring_in("Name,Hex\n" + (1..250).map { |n| "Tarn #{n},#{format("#%06X", n * 999)}\n" }.join, "tarn.csv")
    at = "/projects/#{project.id}/deliver/libraries/#{many.id}"
    shown = ->(query) { get(at, query).body.then { |body| [body[/Page \d of \d/], body.scan(/aria-label="Take (Tarn \d+) in hand"/).flatten.values_at(0, -1)] } }
    expect(shown[{}]).to eq ["Page 1 of 3", ["Tarn 1", "Tarn 100"]]
    expect(shown[{page: "3"}]).to eq ["Page 3 of 3", ["Tarn 201", "Tarn 250"]]
    expect(shown[{entry: many.entries[150].id}]).to eq ["Page 2 of 3", ["Tarn 101", "Tarn 200"]]
    expect(shown[{search: "tarn 1"}]).to eq ["Page 1 of 2", ["Tarn 1", "Tarn 188"]]
    expect(shown[{search: "TARN 1", entry: many.entries[198].id}]).to eq ["Page 2 of 2", ["Tarn 189", "Tarn 199"]]
    expect(%w[4 0 x].map { |page| shown[{page:}].first }).to eq ["Page 3 of 3", "Page 1 of 3", "Page 1 of 3"]
  end
end
