require "support/screens"

# The job with keys alone: each press is counted, and the focus is always somewhere.
RSpec.describe "The keyboard", :screen do
  def press(*given)
    given.each do |key|
      settled.driver.browser.keyboard.type(key)
      @presses = @presses.to_i + 1
    end
  end

  def focused = page.evaluate_script("(({ localName, id, className, textContent, ariaLabel }) => ({ localName, id, className: String(className.baseVal ?? className), text: ariaLabel ?? textContent.trim() }))(document.activeElement)")

  def on(what, within = what) = eventually { expect(focused.values.join(" ")).to include(within) }

  # How many keys a step takes.
  def keys
    before = @presses.to_i
    yield
    @presses - before
  end

  # Walks with Tab until something has the focus.
  def tab_to(what, most: 60)
    most.times do
      return if focused.values.join(" ").include?(what)
      press :tab
    end
    raise "Tab never comes to #{what}, but to #{focused}"
  end

  it "does the whole job, from a picture to a changed poster" do
    open_place "gather"
    expect(keys { press :tab, :enter }).to eq 2
    on "picture", "Arrow keys move the probe"
    press [:shift, :right], [:shift, :right], :up, :enter
    expect(page).to have_css("#reading-now")
    press "k"
    on "keep-name"
    press(*"Dusk red".chars, :enter)
    expect(page).to have_content("Kept Dusk red in Dusk sky")
    on "keep-name"
    press :escape, "p"
    expect(page).to have_css(".chip[aria-label^='Hold Dusk red']")
    press :f6, :f6
    on "chip"
    press :home
    on "Hold Zenith indigo"
    7.times { press :right }
    on "Hold Dusk red"
    to_share = keys do
      press " ", "h", :enter
    end
    expect(to_share).to be <= 6
    expect(page).to have_css(".share")
    eventually { expect(page.evaluate_script("document.activeElement.closest('[data-opens=share]') !== null")).to be true }
    tab_to "share-commit"
    press :enter
    expect(page).to have_css("#undo[title^='Undo: Shared Dusk red']")
    eventually { expect(focused["localName"]).not_to eq "body" }
    press "d"
    expect(page).to have_css("#stage-drawing")
    6.times { press :f6 unless focused["id"] == "stage" }
    on "stage"
    press :down, :enter
    expect(page).to have_content("1 picked: Night sky")
    eventually { expect(fill_of("#stage", "night_sky")).to eq Swatch.find_by!(name: "Dusk red").hex }
    press "m"
    on "slice"
    press [:shift, :up], [:shift, :up]
    eventually { expect(find("#mix-hex").text).not_to eq Swatch.find_by!(name: "Dusk red").hex }
    mixed = nil
    eventually { expect(mixed = find("#mix-hex").text).to eq Magpie::Notation.parse(find("#mix-notation").value).hex } # of both
    tab_to "mix-apply"
    press :enter
    expect(page).to have_no_css("#mix")
    eventually { expect([Swatch.find_by!(name: "Dusk red").hex, fill_of("#stage", "night_sky")]).to eq [mixed, mixed] }
    eventually { expect(focused["localName"]).not_to eq "body" }
    expect(@presses).to be <= 110
  end

  it "goes to the neighbour of what was removed, and back to what opened a panel" do
    open_place "palettes"
    press :f6, :f6, :right, " ", "h", :enter
    expect(page).to have_css(".share")
    tab_to "Not now"
    press :enter
    expect(page).to have_no_css(".share")
    on "share"
    press :escape, :f6, :f6
    open_place "palettes"
    press :f6, :f6
    3.times { press :right }
    on "Hold Ember sky"
    press :delete
    expect(page).to have_css("#remove-commit")
    eventually { expect(page.evaluate_script("document.activeElement.closest('[data-opens=remove]') !== null")).to be true }
    tab_to "remove-commit"
    press :enter
    expect(page).to have_no_css(".chip[aria-label^='Hold Ember sky']")
    on "Hold Coral"
  end
end
