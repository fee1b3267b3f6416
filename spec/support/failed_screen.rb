require "capybara/cuprite"

# An error in a script of the page is raised wherever the spec is at that moment. Where two
# expectations are joined, Capybara takes it for the answer that they do not hold, at once.
# It is made by the thread that listens to the browser; what the main thread makes is the
# driver's own, which tries again.
module ScriptErrors
  SEEN = []

  def initialize(...)
    super
    SEEN << self unless Thread.current == Thread.main
  end

  # @param told [Exception, nil] what the example failed by
  def self.raise_swallowed(told)
    first = SEEN.shift(SEEN.size).first
    raise first unless first.nil? || told.is_a?(Ferrum::JavaScriptError)
  end
end
Ferrum::JavaScriptError.prepend ScriptErrors

# What stood on the screen when an example failed that passes nearly always.
module FailedScreen
  STATE = <<~JS
    ({ at: location.pathname + location.search, ready: document.readyState, focus: document.activeElement?.outerHTML.slice(0, 160), focused: document.hasFocus(),
      waiting: document.documentElement.dataset, version: document.querySelector("#app")?.dataset.version, notices: [...document.querySelectorAll(".notice")].map(notice => notice.innerText) })
  JS

  def self.report(page)
    warn "  On the screen: #{page.evaluate_script(STATE).inspect}; done last: #{RecordedChange.order(:id).last&.words.inspect}; asked last: #{asked(page).join(", ")}; files: #{files(page).join(", ")}"
  rescue => error
    warn "  What was on the screen cannot be said: #{error.message[0, 200]}"
  end

  # What the page asked the server for, but for looking whether anything happened.
  def self.asked(page)
    exchanges = page.driver.browser.network.traffic.reject { |each| each.url.to_s.include?("version.json") }
    (exchanges.select(&:error) | exchanges.last(6)).map { |each| "#{each.request&.method} #{each.url.to_s[/(?<=\d)\/.*/]} (#{each.error&.error_text || each.response&.status || "no answer"}, #{each.response&.body_size} bytes)" }
  end

  # What it brought, or did not.
  def self.files(page) = page.driver.browser.page.downloads.files.map { |file| file.values_at("suggestedFilename", "state", "receivedBytes").join(" ") }
  private_class_method :asked, :files
end
