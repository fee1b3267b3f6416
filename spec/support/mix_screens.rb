require_relative "screens"

# What a person does in Mix.
module MixScreens
  def ember = Swatch.find_by!(name: "Ember sky")

  # Opens the sheet on a swatch with one of its panels.
  def mix(swatch = ember, panel: "reach", place: "palettes", **choices)
    if choices.any?
      visit "/"
      prefer(**choices)
    end
    visit "/projects/#{demo.id}/#{place}?mix=#{swatch.id}"
    expect(page).to have_content("Read as")
    turn_to(panel) unless panel == "reach"
  end

  def turn_to(panel)
    find(".mix-tabs label", text: panel.capitalize, exact_text: true).click
    expect(page).to have_css(".mix-tabs input[value='#{panel}']:checked", visible: :all).and have_css("#mix-panel [data-fragment]")
    settled
  end

  def type(text) = fill_in("Colour in any notation", with: text)

  def hex_now = find("#mix-hex").text

  def channel(model, index) = find("#mix-#{model}-#{index}").value.to_f
end
