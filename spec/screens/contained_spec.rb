require "support/screens"
require "support/hostile"

RSpec.describe "Drawings that mean harm, in a browser", :screen do
  # Where the browser went while the file stood open, besides for the file itself.
  def asked_by(path)
    page.driver.clear_network_traffic
    visit "file://#{path}"
    page.driver.wait_for_network_idle
    page.driver.network_traffic.map(&:url).reject { |url| url.start_with?("file://#{path}", "data:") }
  end

  def bring_in(name, svg) = Changes::BringInArtwork.perform(demo, actor:, name: "#{name}.svg", bytes: svg)

  it "ask for nothing when they are opened after they went out, without any header of ours" do
    folder = Dir.mktmpdir
    raw = File.join(folder, "raw.svg")
    File.write(raw, Hostile.svg(Hostile::ASKING["image"].call(Hostile::ADDRESS)))
    expect(asked_by(raw)).to include(Hostile::ADDRESS) # so that it would be seen
    Hostile.asking(Hostile::ADDRESS).each do |name, svg|
      artwork = bring_in(name, svg)
      %w[linked flat].each do |form|
        path = File.join(folder, "#{form}.svg")
        File.binwrite(path, Magpie::Painters::Outgoing.checked(Dressing.new(artwork).public_send(form)))
        expect(asked_by(path)).to eq([]), "#{name}, #{form}"
      end
    end
  end

  it "stay where they are put: nothing is wider, nothing is covered, no click goes astray" do
    Hostile::ESCAPING.each do |name, svg|
      artwork = bring_in(name, svg)
      visit "/projects/#{demo.id}/dress?artwork=#{artwork.id}"
      expect(page).to have_css("#stage svg")
      stage, edges = box_of("#stage"), page.evaluate_script("[document.documentElement.scrollWidth, innerWidth, document.documentElement.scrollHeight, innerHeight]")
      expect([edges[0], edges[2]]).to eq([edges[1], edges[3]]), name
      astray = page.evaluate_script(<<~JS)
        (() => {
          const stage = document.querySelector("#stage").getBoundingClientRect(), found = []
          for (let x = 4; x < innerWidth; x += 24) for (let y = 4; y < innerHeight; y += 24) {
            const inside = x >= stage.left && x <= stage.right && y >= stage.top && y <= stage.bottom
            if (!inside && document.elementFromPoint(x, y)?.closest("#stage")) found.push([x, y])
          }
          return found
        })()
      JS
      expect(astray).to eq([]), name
      expect(stage["x"] + stage["width"]).to be < 1280
      expect(page).to have_link("Palettes").and have_css("#hand")
    end
  end
end
