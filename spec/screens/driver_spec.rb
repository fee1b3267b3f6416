require "support/screens"

# What the specs' own way of asking the browser must keep of the driver's.
RSpec.describe "The driver", :screen do
  before { visit "/" }

  def show(html) = page.execute_script("document.querySelector('main').innerHTML = #{html.to_json}")

  it "finds nothing, one and several, and knows what they are" do
    show "<p class=moor>Peat</p><ul><li>Ember<li>Lamp</ul><svg><linearGradient class=moor></linearGradient></svg>"
    expect(page).to have_no_css(".tarn")
    expect(find("li", match: :first).tag_name).to eq "li"
    expect(all("li").map(&:text)).to eq %w[Ember Lamp]
    expect(all(".moor", visible: :all).map(&:tag_name)).to eq %w[p lineargradient]
    within("ul") { expect(page).to have_css("li", count: 2).and have_no_css("p") }
    expect(find("li", text: "Lamp")).to eq all("li")[1]
  end

  it "gives values whole, without what is nothing in lists, and nodes as nodes" do
    show "<p>Peat</p>"
    whole = page.evaluate_script("({ one: [1, null, [2.5, { two: 'é' }]], three: false })")
    expect(whole).to eq("one" => [1, [2.5, {"two" => "é"}]], "three" => false)
    node, one = page.evaluate_script("[document.querySelector('main p'), 1]")
    expect([node.text, one]).to eq ["Peat", 1]
    expect(page.evaluate_script("document.querySelector('main p')").text).to eq "Peat"
    expect(page.evaluate_script("new DOMRect(1, 2, 3, 4).toJSON()")).to include("x" => 1, "right" => 4)
    round = page.evaluate_script("(() => { const round = {}; round.round = round; return round })()")
    expect(round).to be_a(Ferrum::CyclicObject)
    expect(page.evaluate_script("undefined")).to be_nil
  end

  it "refuses a node that stands no longer, be it asked, within, or handed over" do
    show "<div id=moor><p>Peat</p></div>"
    moor = find("#moor")
    native = moor.native
    moor.execute_script("this.remove()")
    gone = Capybara::Cuprite::ObsoleteNode
    expect { native.visible_text }.to raise_error(gone)
    expect { native.visible? }.to raise_error(gone)
    expect { native[:id] }.to raise_error(gone)
    expect { native.find_css("p") }.to raise_error(gone)
    expect { native.click }.to raise_error(gone)
    expect { page.driver.evaluate_script("arguments[0].id", native) }.to raise_error(Ferrum::NodeNotFoundError)
    visit "/"
    expect { native.visible_text }.to raise_error(gone)
  end

  it "empties a page that goes on, and begins anew after what would stay with it" do
    leave = "document.cookie = 'moor=1'; localStorage.moor = sessionStorage.moor = 1"
    kept = %w[document.cookie.includes('moor') localStorage.length sessionStorage.length]
    left = "[#{kept.join(", ")}]"
    first = page.driver.browser.page
    page.execute_script(leave)
    settled # or what waits would be left with it
    Capybara.reset_sessions!
    expect(page.driver.browser.page).to be first
    expect(page.driver.browser.network.traffic).to eq []
    visit "/"
    expect(page.evaluate_script(left)).to eq [false, 0, 0]
    {size: ->(there) { page.driver.resize(1024, 768) }, line: ->(there) { there.network.emulate_network_conditions(latency: 1) },
     fingers: ->(there) { there.command("Emulation.setTouchEmulationEnabled", enabled: true) }}.each do |what, changed|
      before = page.driver.browser.page
      changed.call(before)
      Capybara.reset_sessions!
      visit "/"
      expect(page.driver.browser.page).not_to be(before), what.to_s
      expect(page.evaluate_script("[innerWidth, navigator.maxTouchPoints]")).to eq [1280, 0]
    end
  end
end
