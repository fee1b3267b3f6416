require_relative "dress_screens"
require_relative "gather_screens"
require_relative "palette_screens"

# The states of every place, and the way to each as a person goes it: what holds of all that
# can be seen is checked in all of them. A way ends when the state is there.
module States
  include ScreenSupport
  include DressScreens
  include GatherScreens
  include PaletteScreens

  ALL = {}

  # @param name [String] where it is: the place, and what of it
  def self.state(name, &way) = ALL[name] = way

  # @return [Array<String>]
  def self.of(place) = ALL.keys.select { |name| name.start_with?("#{place}:") }

  def self.places = ALL.keys.map { |name| name[/\A\w+/] }.uniq

  def reach(name) = settled.then { instance_exec(&ALL.fetch(name)) }.then { settled }

  # What a page needs a moment for has come.
  def whole
    expect(page).to have_no_css("[data-fetch], [data-load], .loading", visible: :all)
    eventually { expect(page.evaluate_script("[...document.images].every(image => image.complete || image.loading === 'lazy')")).to be true }
  end

  def at_poster(query = "tool=pick") = open_dress(query)

  def chosen(*names)
    open_place "palettes"
    select_chips(*names)
  end

  def task(button, shows, *names)
    chosen(*names)
    find(".hand-selection button", text: /\A#{button}/).click
    expect(page).to have_css(".side h1", text: shows)
  end

  def mixing(panel)
    visit "/projects/#{demo.id}/palettes?mix=#{named("Ember sky").id}"
    find(".mix-tabs label", text: panel, exact_text: true).click
    expect(page).to have_css(".mix-tabs input[value='#{panel.downcase}']:checked", visible: :all)
    expect(page).to have_css("#mix-panel [data-fragment]") unless panel == "Reach"
  end

  def empty_project
    visit "/"
    fill_in "What is the job?", with: "Nothing yet"
    click_button "Start the project"
    expect(page).to have_content("Begin with a picture")
    find("[data-dismiss]", match: :first).click if page.has_css?("[data-dismiss]", wait: 0)
    Project.order(:id).last
  end

  def a_file(name, text, field = ".bring-in input[type=file]")
    path = File.join(DOWNLOADS, name)
    File.binwrite(path, text)
    find(field, visible: :all, match: :first).attach_file(path)
  end
end

require_relative "states_of_colours"
require_relative "states_of_artwork"
