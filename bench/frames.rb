# Frames while the pointer moves over a picture of 12 megapixels, in headless
# Chromium without a graphics card: the time from one frame to the next, and how
# long the page's own thread works on each.
require "capybara"
require "ferrum"
require "tmpdir"
require_relative "ready"
require_relative "bench"
require_relative "following"
require_relative "palettes"
require_relative "dress_frames"
require_relative "gradient_frames"
require_relative "pattern_frames"
require_relative "fill_frames"

module Frames
  MOVES = Bench.many(240, 6)
  COUNTING = <<~JS
    (() => { window.frames_ = []; let last = performance.now()
      const next = () => { const now = performance.now(); frames_.push(now - last); last = now; requestAnimationFrame(next) }
      requestAnimationFrame(next) })()
  JS

  module_function

  # @return [String] address of the picture's page
  def large_picture
    dusk = Vips::Image.new_from_buffer(Demo::Pictures.all["Dusk over the dome"], "").resize(Bench.many(2.9, 0.4)).cast(:uchar)
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
    Bench.say(what, sorted.size, at.call(0.5), at.call(0.95), at.call(1.0))
  end

  # Until the page is there whole: the browser says so a little early where the cores are busy.
  def visit(page, address, shows)
    page.go_to(address)
    there = "document.readyState === 'complete' && document.querySelector(#{shows.to_json}) !== null"
    200.times { page.evaluate(there) ? return : sleep(0.05) }
    raise "#{address} does not show #{shows}"
  end

  # Until what was asked for is there.
  def rest(seconds) = sleep(Bench.many(seconds, 0.3))

  def pointer(page, address)
    [1, 5, 31].first(Bench.many(3, 1)).each do |probe|
      visit(page, address, "#probe")
      page.evaluate("document.querySelector(\"#probe input[value='#{probe}']\").click()") # nodes are numbered anew meanwhile
      rest 4 # decoding, and the main colours
      page.mouse.move(x: 300, y: 250)
      rest 1
      page.evaluate(COUNTING)
      row "Probe of #{probe} px, frame to frame", intervals(page)
      row "… work on the page's thread", work(page)
    end
  end

  # A palette: scrolled, a chip carried over it, all of it shifted.
  def palette(page, address, what)
    visit(page, address, "[data-chip]")
    rest 6 # the checks of health
    page.evaluate(COUNTING)
    row "#{what}, scrolled", intervals(page) { MOVES.times { page.evaluate("document.querySelector('.rows').scrollBy(0, 40)") } }
    page.evaluate("document.querySelector('.rows').scrollTop = 0")
    chip = page.evaluate("(() => { const at = document.querySelector('[data-chip]').getBoundingClientRect(); return [at.x + 20, at.y + 20] })()")
    page.mouse.move(x: chip[0], y: chip[1]).down
    row "… a chip carried across it", intervals(page) { MOVES.times { |i| page.mouse.move(x: 200 + i * 2, y: 150 + (i * 2) % 400) } }
    page.keyboard.type(:Escape)
    page.mouse.up
    shift = "(() => { const slider = document.querySelector('#shift-hue'); slider.value = %d; slider.dispatchEvent(new Event('input', { bubbles: true })) })()"
    row "… the hue of all of it shifted", intervals(page) { Bench.many(120, 6).times { |i| page.evaluate(format(shift, i - 60)) } }
  end

  # Mix over Dress: a slider is dragged, and the slice.
  def mix(page, address)
    visit(page, address, "#slice")
    rest 3 # the first answer
    page.evaluate(COUNTING)
    {"the hue of HSB" => "#mix-hsb-0", "the slice" => "#slice"}.each do |what, selector|
      box = page.evaluate("(() => { const at = document.querySelector('#{selector}').getBoundingClientRect(); return [at.x, at.y, at.width, at.height] })()")
      point = ->(part) { {x: box[0] + 8 + (box[2] - 16) * part, y: box[1] + box[3] / 2} }
      page.mouse.move(**point.call(0.0)).down
      dragged = -> { MOVES.times { |i| page.mouse.move(**point.call((i % 120) / 120.0)) } }
      row "Mix over Dress, #{what} dragged", intervals(page, &dragged)
      row "… work on the page's thread", work(page, &dragged)
      page.mouse.up
      rest 1
    end
  end
end

require_relative "../config/puma_answers"
Capybara.server = :puma, {Silent: true, config_files: ["-"]}
server = Capybara::Server.new(App).boot
page = Frames.browser
page.page.set_viewport(width: 1280, height: 800)
at = ->(path) { "http://#{server.host}:#{server.port}#{path}" }

{gradients: Frames::Gradients, patterns: Frames::Patterns, fills: Frames::Fills, dress: Frames::Dress}.each { |name, part| Bench.part(name) { part.rows(page, server) } }
Bench.part(:pointer) { Frames.pointer(page, at.call(Frames.large_picture)) }
Bench.part(:mix) { Frames.mix(page, at.call("/projects/#{Project.first.id}/dress?mix=#{Swatch.find_by!(name: "Ember sky").id}")) }
Bench.part(:palette) do
  Frames.palette(page, at.call("/projects/#{Project.first.id}/palettes?side=palette"), "The demo palette, 21 chips")
  Frames.palette(page, at.call("/projects/#{Bench::Palettes.palette_of(Bench.many(2000, 100)).id}/palettes?side=palette"), "A palette of 2,000 chips")
end

done = Bench.run(ARGV, heading: ["What", "Frames", "Median", "95 %", "Longest"])
page.quit
exit done
