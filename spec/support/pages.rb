require "capybara/rspec"
require "tmpdir"
require_relative "data"

Capybara.app = App
Capybara.default_host = "http://example.org" # as Rack::Test calls it
Capybara.enable_aria_label = true

# Pages as the server sends them, read and used without a browser: whatever rows, words, links
# and forms say. What a script would send at once is sent by `sends`.
module PageSupport
  # The button of a form that no button sent.
  BY_SCRIPT = Class.new {
    def native = nil

    def [](_) = nil
  }.new

  def demo = Project.first

  def open_place(place, project = demo) = visit("/projects/#{project.id}/#{place}")

  # The form that a field is in goes as soon as the field has changed, as its script does it.
  # @param field [Capybara::Node::Element]
  def sends(field)
    form = field["form"] ? find("form##{field["form"]}", visible: :all) : field.ancestor("form", visible: :all)
    Capybara::RackTest::Form.new(page.driver.browser, form.native).submit(BY_SCRIPT)
  end

  # What a script fetches into its place.
  def fetched(place)
    there = find(place, visible: :all)
    visit(there["data-fetch"] || there["data-load"] || there["data-fetch-opened"])
  end

  # @return [String] where it lies
  def file(name, text) = File.join(Dir.mktmpdir("brought"), name).tap { |path| File.binwrite(path, text) }

  # @param field [String] selector of the field that takes them
  def bring(*paths, field: ".bring-in input[type=file]")
    input = find(field, visible: :all, match: :first)
    input.set(input["multiple"] ? paths.reverse : paths.sole) # the driver turns their order round
    sends input
  end

  # What a link or button gives is a file.
  # @return [String] its bytes
  def downloaded = page.driver.response.body.b

  def swatch(name) = Swatch.joins(group: :palette).find_by!(name:, palettes: {starter: false})

  # Does with some swatches what the hand offers for those that are selected.
  # @param act [String] as its button has it
  def with_selected(act, *swatches)
    open_place "palettes"
    find("#selection [name=ids]", visible: :all).set(swatches.map(&:id).join(","))
    find("#selection [value=#{act}]", visible: :all).click
  end

  # Takes a swatch in hand.
  def hold(name)
    open_place "palettes"
    find(".chip[title^='#{name}']").click
    expect(page).to have_css(".hand-name", text: name)
  end
end

RSpec.configure do |config|
  config.include Capybara::DSL, :page
  config.include Capybara::RSpecMatchers, :page
  config.include PageSupport, :page
  config.around(:each, :page) { |example| DemoRows.within(example.metadata.fetch(:demo, :small)) { example.run } }
end
