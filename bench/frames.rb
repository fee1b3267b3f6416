# Frames while the pointer moves over a picture of 12 megapixels, in headless
# Chromium without a graphics card: the time from one frame to the next, and how
# long the page's own thread works on each.
require_relative "../config/environment"
require_relative "../config/database"
require_relative "../db/demo/load"
require "capybara"
require "ferrum"
require "tmpdir"
require_relative "palettes"
require_relative "dress_frames"
require_relative "gradient_frames"
require_relative "pattern_frames"
require_relative "fill_frames"

Database.migrate
Demo.clear
Demo.load(whole: false) # what earlier measurements were made with

module Frames
  MOVES = 240
  COUNTING = <<~JS
    (() => { window.frames_ = []; let last = performance.now()
      const next = () => { const now = performance.now(); frames_.push(now - last); last = now; requestAnimationFrame(next) }
      requestAnimationFrame(next) })()
  JS

  module_function

  # @return [String] address of the picture's page
  def large_picture
    dusk = Vips::Image.new_from_buffer(Demo::Pictures.all["Dusk over the dome"], "").resize(2.9).cast(:uchar)
    source = Changes::BringInSource.perform(Project.first, actor: Actor.new, name: "Dusk, large.jpg", bytes: dusk.jpegsave_buffer(Q: 92))
    "/projects/#{Project.first.id}/gather?source=#{source.id}"
  end

  def browser
    Ferrum::Browser.new(browser_path: ENV.fetch("CHROMIUM", "/usr/bin/chromium"), window_size: [1280, 800], timeout: 60, process_timeout: 60,
      browser_options: {"no-sandbox" => nil, "disable-gpu" => nil})
  end

  def move(page) = MOVES.times { |i| page.mouse.move(x: 200 + i * 2.5, y: 200 + (i * 2) % 250) }

  # Milliseconds between frames.
  def intervals(page)
    page.evaluate("frames_.length = 0")
    block_given? ? yield : move(page)
    page.evaluate("frames_.slice()").sort
  end

  # Milliseconds of work on the page's thread for each frame.
  def work(page)
    path = File.join(Dir.mktmpdir, "trace.json")
    page.page.tracing.record(path:, trace_config: {includedCategories: %w[cc blink devtools.timeline]}) { block_given? ? yield : move(page) }
    events = JSON.parse(File.read(path))["traceEvents"].select { |event| event["ph"] == "X" && event["name"] == "ProxyMain::BeginMainFrame" }
    events.map { |event| event["dur"] / 1000.0 }.sort
  end

  def row(what, sorted)
    at = ->(part) { format("%.1f ms", sorted[((sorted.size - 1) * part).round]) }
    puts "| #{what} | #{sorted.size} | #{at.call(0.5)} | #{at.call(0.95)} | #{at.call(1.0)} |"
  end
end

Capybara.server = :puma, {Silent: true, config_files: ["-"]}
server = Capybara::Server.new(App).boot
page = Frames.browser
page.page.set_viewport(width: 1280, height: 800)
PAINT = {"gradients" => Frames::Gradients, "patterns" => Frames::Patterns, "fills" => Frames::Fills}.freeze
(PAINT.slice(*ENV["ONLY"]).values.presence || PAINT.values).each { |each| each.rows(page, server) }
exit if PAINT.key?(ENV["ONLY"])
path = Frames.large_picture
Frames::Dress.rows(page, server)
puts "| Pointer over 12 megapixels | Frames | Median | 95 % | Longest |", "| --- | --: | --: | --: | --: |"
(ENV["ONLY"] ? [] : %w[1 5 31]).each do |probe|
  page.go_to("http://#{server.host}:#{server.port}#{path}")
  page.at_css("#probe input[value='#{probe}']").evaluate("this.click()")
  sleep 4 # decoding, and the main colours
  page.mouse.move(x: 300, y: 250)
  sleep 1
  page.evaluate(Frames::COUNTING)
  Frames.row "Probe of #{probe} px, frame to frame", Frames.intervals(page)
  Frames.row "… work on the page's thread", Frames.work(page)
end

# A palette: scrolled, a chip carried over it, all of it shifted.
def Frames.palette(page, address, what)
  page.go_to(address)
  sleep 6 # the checks of health
  page.evaluate(Frames::COUNTING)
  row "#{what}, scrolled", intervals(page) { Frames::MOVES.times { page.evaluate("document.querySelector('.rows').scrollBy(0, 40)") } }
  page.evaluate("document.querySelector('.rows').scrollTop = 0")
  chip = page.evaluate("(() => { const at = document.querySelector('[data-chip]').getBoundingClientRect(); return [at.x + 20, at.y + 20] })()")
  page.mouse.move(x: chip[0], y: chip[1]).down
  row "… a chip carried across it", intervals(page) { Frames::MOVES.times { |i| page.mouse.move(x: 200 + i * 2, y: 150 + (i * 2) % 400) } }
  page.keyboard.type(:Escape)
  page.mouse.up
  row "… the hue of all of it shifted", intervals(page) { 120.times { |i| page.evaluate("(() => { const slider = document.querySelector('#shift-hue'); slider.value = #{i - 60}; slider.dispatchEvent(new Event('input', { bubbles: true })) })()") } }
end

# Mix over Dress: a slider is dragged, and the slice.
def Frames.mix(page, address)
  page.go_to(address)
  sleep 3 # the first answer
  page.evaluate(Frames::COUNTING)
  {"the hue of HSB" => "#mix-hsb-0", "the slice" => "#slice"}.each do |what, selector|
    box = page.evaluate("(() => { const at = document.querySelector('#{selector}').getBoundingClientRect(); return [at.x, at.y, at.width, at.height] })()")
    point = ->(part) { {x: box[0] + 8 + (box[2] - 16) * part, y: box[1] + box[3] / 2} }
    page.mouse.move(**point.call(0.0)).down
    row "Mix over Dress, #{what} dragged", intervals(page) { Frames::MOVES.times { |i| page.mouse.move(**point.call((i % 120) / 120.0)) } }
    row "… work on the page's thread", work(page) { Frames::MOVES.times { |i| page.mouse.move(**point.call((i % 120) / 120.0)) } }
    page.mouse.up
    sleep 1
  end
end

ember = Swatch.find_by!(name: "Ember sky")
Frames.mix(page, "http://#{server.host}:#{server.port}/projects/#{Project.first.id}/dress?mix=#{ember.id}")
Frames.palette(page, "http://#{server.host}:#{server.port}/projects/#{Project.first.id}/palettes?side=palette", "The demo palette, 21 chips")
Frames.palette(page, "http://#{server.host}:#{server.port}/projects/#{Bench::Palettes.palette_of(2000).id}/palettes?side=palette", "A palette of 2,000 chips")
page.quit
