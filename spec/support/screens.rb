require "capybara/rspec"
require "capybara/cuprite"
require "tmpdir"
require_relative "../../config/puma_answers"
require_relative "data"
require_relative "failed_screen"
require_relative "fewer_messages"
require_relative "kept_page"

# Debian builds Chromium a second time without its windows, tabs and menus, which take half of
# the browser's own work: pages see the same engine. CHROMIUM=/usr/bin/chromium is the whole one.
Capybara.register_driver(:chromium) do |app|
  Capybara::Cuprite::Driver.new(app, browser_path: ENV.fetch("CHROMIUM", "/usr/bin/chromium-headless-shell"), window_size: [1280, 800],
    process_timeout: 60, timeout: 60, js_errors: true, save_path: DOWNLOADS,
    browser_options: {"no-sandbox" => nil, "disable-gpu" => nil, "disable-background-networking" => nil, "disable-component-update" => nil, "disable-quic" => nil})
end
DOWNLOADS = Dir.mktmpdir("magpie-downloads")
Capybara.default_driver = Capybara.javascript_driver = :chromium
Capybara.app = App
Capybara.server = :puma, {Silent: true, Threads: "2:5", config_files: ["-"]}
# A machine that is shared stands still for half a minute now and then.
Capybara.default_max_wait_time = 30
# Each time that the page is asked takes from what it is asked about, where all cores are busy.
Capybara.default_retry_interval = 0.03 # s
Capybara.enable_aria_label = true

# A script on an element is tried again on the same terms as a click on it: Chromium
# numbers the nodes of a new page anew a moment after the page has come. For the same
# reason what `all` finds is read in `eventually`: it passes over what it can no longer
# reach, and what it gave is not looked for again.
module SteadyScripts
  def execute_script(...) = synchronize { super }

  def evaluate_script(...) = synchronize { super }
end
Capybara::Node::Element.prepend SteadyScripts

# A person presses a key on what is seen, and comes to links and buttons by keys: the driver
# clicks what has no focus yet, which follows a link before its key comes, and Chromium
# drops keys between a new page and its first paint.
module KeysOnWhatIsSeen
  READY = <<~JS
    (() => {
      if (this.matches("a, button, summary, [tabindex]")) this.focus()
      return document.readyState === "complete" && performance.getEntriesByName("first-paint").length > 0
    })()
  JS

  def send_keys(...)
    synchronize { raise Capybara::ElementNotFound, "the page is not painted yet" unless evaluate_script(READY) }
    super
  end
end
Capybara::Node::Element.prepend KeysOnWhatIsSeen

# A person clicks on a page that has come: what a click before it asked for moves what is there,
# or puts another in its place. What is told while one waits can be clicked at any time.
module ClicksOnWhatHasCome
  WAITING = <<~JS
    document.documentElement.matches("[data-waiting]:not([data-unsent])") && !this.closest(".progress, .notice")
  JS

  def click(...)
    if session.driver.is_a?(Capybara::Cuprite::Driver)
      synchronize { raise Capybara::ElementNotFound, "the page has not come" if evaluate_script(WAITING) }
    end
    super
  end
end
Capybara::Node::Element.prepend ClicksOnWhatHasCome

# A page is there once its scripts have run: keys that come before are lost. The driver
# alone takes the end of the empty page before it for its own, where that comes late.
module WholePages
  def visit(...) = super.tap { whole }

  def refresh(...) = super.tap { whole }

  private

  def whole
    return unless driver.is_a?(Capybara::Cuprite::Driver) # others have nothing to wait for
    document.synchronize do
      there = evaluate_script("location.href !== 'about:blank' && document.readyState === 'complete' && (window.htmx !== undefined || !document.querySelector('script[src*=app]'))")
      raise Capybara::ElementNotFound, "the page has not come whole" unless there
    end
  end
end
Capybara::Session.prepend WholePages

# Whether a button is down.
module PressedMice
  def down(...) = super.tap { @pressed = true }

  def up(...) = super.tap { @pressed = false }

  def pressed? = @pressed
end
Ferrum::Mouse.prepend PressedMice

# What a person does and sees.
module ScreenSupport
  def demo = Project.first

  def open_place(place, project = demo) = visit("/projects/#{project.id}/#{place}")

  # What the person has chosen before, without the way to each choice.
  def prefer(project = demo, **choices)
    token = find("[name=authenticity_token]", match: :first, visible: :all).value
    page.evaluate_async_script(<<~JS, "/projects/#{project.id}/choices", {authenticity_token: token, **choices})
      const [path, choices, done] = arguments
      fetch(path, { method: "POST", body: new URLSearchParams(choices) }).then(() => done(true))
    JS
  end

  # A real click at a pixel of the source, wherever the picture lies on the screen.
  def click_picture(x, y)
    expect(page).to have_css("#picture-image") { |image| image.evaluate_script("this.complete && this.naturalWidth > 0") }
    box = box_of("#picture-image")
    width, height = %w[width height].map { |side| find("#picture")["data-#{side}"].to_f }
    mouse.click(x: box["x"] + (x + 0.5) / width * box["width"], y: box["y"] + (y + 0.5) / height * box["height"])
  end

  # Finds a part of an artwork in a drawing of the page; "scope" tells which drawing.
  PART = <<~JS
    (scope, number) => [...document.querySelectorAll(`${scope} [data-drawing]`)].map(host => host.shadowRoot?.querySelector(`[data-part="${number}"]`)).find(Boolean)
  JS

  # A part's number in whichever artwork is drawn there.
  def number_of(scope, key)
    drawing = find("#{scope} [data-drawing]", match: :first, visible: :all)
    Artwork.find(drawing["data-artwork"]).parts.find_by!(key:).position
  end

  # A point that lies on a part, found by asking the page.
  def point_on(key, scope: "#stage")
    number = number_of(scope, key)
    settled.evaluate_script(<<~JS)&.transform_keys(&:to_sym)
      (() => {
        const part = (#{PART})(#{scope.to_json}, #{number}), box = part.getBoundingClientRect()
        for (let i = 1; i < 24; i++) for (let j = 1; j < 24; j++) {
          const x = box.x + box.width * i / 24, y = box.y + box.height * j / 24
          if (part.getRootNode().elementFromPoint(x, y)?.closest("[data-part]") === part) return { x, y }
        }
      })()
    JS
  end

  def click_part(key, shift: false) = mouse.click(**point_on(key), modifiers: shift ? 8 : 0)

  # The fill that the browser computes for a part, as "#RRGGBB".
  def fill_of(scope, key, property = "fill")
    css = page.evaluate_script("(() => { const part = (#{PART})(#{scope.to_json}, #{number_of(scope, key)}); return part && getComputedStyle(part)[#{property.to_json}] })()")
    css && hex_of(css)
  end

  # What a picture of an artwork shows at a share of its sides, as "#RRGGBB".
  def seen_in(selector, across, down)
    expect(page).to have_css(selector) { |image| image.evaluate_script("this.complete && this.naturalWidth > 0") }
    find(selector, match: :first).evaluate_script(<<~JS)
      (() => {
        const canvas = Object.assign(document.createElement("canvas"), { width: this.naturalWidth, height: this.naturalHeight }), context = canvas.getContext("2d")
        context.drawImage(this, 0, 0)
        const pixel = context.getImageData(#{across} * canvas.width, #{down} * canvas.height, 1, 1).data
        return "#" + [...pixel].slice(0, 3).map(value => value.toString(16).padStart(2, "0")).join("").toUpperCase()
      })()
    JS
  end

  def hex_of(css)
    numbers = css.scan(/[\d.]+/).first(3).map(&:to_f)
    css.start_with?("rgb") ? format("#%02X%02X%02X", *numbers.map(&:round)) : css
  end

  # Waits as long as Capybara waits for what a person would see.
  # An unmet expectation is turned into an error that Capybara retries; so is one about what is not there yet (nil, no record).
  def eventually
    unmet = nil
    page.document.synchronize(Capybara.default_max_wait_time) do
      yield
    rescue RSpec::Expectations::ExpectationNotMetError, NoMethodError, ActiveRecord::RecordNotFound => unmet
      raise Capybara::ElementNotFound
    end
  rescue Capybara::ElementNotFound
    raise unmet || $!
  end

  def box_of(selector) = find(selector, visible: :all).evaluate_script("this.getBoundingClientRect().toJSON()")

  # The pointer and the keys act on a page that has come, as a person's do.
  # A button goes down on a page that has come. From then on the page waits for it, not it for the page.
  def mouse = page.driver.browser.mouse.tap { |mouse| settled unless mouse.pressed? }

  def keys(*keys) = settled.driver.browser.keyboard.type(*keys)

  def settled = page.tap { expect(page).to have_no_css("html[data-waiting]", visible: :all) }
end

RSpec.configure do |config|
  config.include Capybara::DSL, :screen
  config.include Capybara::RSpecMatchers, :screen
  config.include ScreenSupport, :screen
  config.before(:each, :screen) { |example| DemoRows.stand(example.metadata.fetch(:demo) { (ENV["WHOLE_DEMO"] == "1") ? :whole : :small }) }
  config.after(:each, :screen) do |example|
    FailedScreen.report(page) if example.exception
    KeptPage.anew = !example.exception.nil?
    Capybara.reset_sessions!
    ScriptErrors.raise_swallowed(example.exception)
  end
  config.after(:suite) { FileUtils.rm_rf(DOWNLOADS) }
end
