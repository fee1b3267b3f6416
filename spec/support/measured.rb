require_relative "painted"
require_relative "screens"

# What is cut, covered, out of reach or too small, at several sizes of the window.
module Measured
  include Painted

  SCRIPT = File.read(File.expand_path("measured.js", __dir__)).sub(%r{\A(//.*\n)+}, "").strip
  # A usual window, a small one, half of it enlarged to 200 %, and a large one.
  SIZES = [[1280, 800], [1024, 768], [640, 400], [2560, 1440]].freeze
  PHONE = [390, 844].freeze

  # @return [Array<String>] what is wrong at which size
  def measured
    found = SIZES.flat_map { |width, height| at_size(width, height) { measure } } + at_size(*PHONE, fingers: true) { measure(true) }
    page.driver.browser.page.set_viewport(width: 1280, height: 800)
    found
  end

  private

  def at_size(width, height, fingers: false)
    page.driver.browser.page.set_viewport(width:, height:) # the frame round it need not grow with it
    if fingers
      by_finger
      settle_down # styles for fingers come a frame later
    end
    yield.map { |words| "#{width} wide#{", by finger" if fingers}: #{words}" }
  ensure
    by_finger(false) if fingers
  end

  def by_finger(on = true) = page.driver.browser.page.command("Emulation.setTouchEmulationEnabled", enabled: on, maxTouchPoints: on ? 5 : 1)

  # Once what the page itself does at another size is done: it need not be painted for that.
  def measure(coarse = false)
    page.evaluate_async_script("requestAnimationFrame(() => setTimeout(() => arguments[0](#{SCRIPT}(#{coarse}))))")
  end
end
