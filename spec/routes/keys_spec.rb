require "support/sent_forms"

RSpec.describe App, "which keys are shortcuts" do
  include SentForms

  def app = described_class

  let(:project) { new_project }

  def send_keys(**values) = post_with_token("keys", place: "dress", mixing: "0", **values)

  def kept = Nokogiri::HTML5.fragment(last_response.body).at_css("#keys")["data-keys"].then { |text| JSON.parse(text) }

  it "keeps what is given for the browser alone, and shows the list as it is then" do
    expect(send_keys(shortcut: "dress", key: "\"").status).to eq 200
    expect(kept).to include("\"" => ["dress"]).and(satisfy { |keys| !keys.key?("d") })
    send_keys(off: "1")
    expect(kept).to eq({})
    clear_cookies
    send_keys(shortcut: "gather", key: "")
    expect(kept).to include("d" => ["dress"]).and(satisfy { |keys| !keys.key?("g") })
  end

  it "refuses what is no key or no shortcut, in plain words, and keeps nothing of it" do
    [{shortcut: "dress", key: "<b>"}, {shortcut: "dress", key: "g"}, {shortcut: "<script>", key: "y"}, {key: "y"}, {}].each do |values|
      expect(send_keys(**values).status).to eq 422
      expect(last_response.content_type).to start_with "text/plain"
    end
    expect(send_keys(reset: "1").status).to eq 200
    expect(Visitor.pluck(:keys)).to eq [{}]
  end
end
