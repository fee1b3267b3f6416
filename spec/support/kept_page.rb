require "capybara/cuprite"

# The page that an example ends with is the next one's, emptied of all that it keeps: a browser
# that begins anew starts a process and reads fonts, styles and scripts again, half of what the
# first page of an example takes. It begins anew after what would stay with a page (the size of
# its window, fingers, a slow line, files that it brought), where there are several, where
# something waits to be sent, and after an example that failed.
module KeptPage
  STAYS = /\A(Emulation|Fetch)\.|\ANetwork\.(set|emulate|override)|\APage\.(add|set[A-Z])|\ABrowser\.(grant|set)/

  # @return [Boolean] whether the page may go
  EMPTIED = <<~JS.freeze
    (() => {
      if (document.documentElement.matches("[data-waiting]")) return false
      // What is still on its way is given up, as it is with a whole browser: nobody is asked.
      addEventListener("beforeunload", event => event.stopImmediatePropagation(), { capture: true })
      localStorage.clear()
      sessionStorage.clear()
      return true
    })()
  JS

  singleton_class.attr_accessor :anew

  # Of Capybara::Cuprite::Page.
  module Noting
    def initialize(...)
      super
      @stays = false # how a page is set up is the same for all
    end

    def command(method, **)
      @stays = true if method.match?(STAYS)
      super
    end

    def stays? = @stays
  end

  # Of Capybara::Cuprite::Driver.
  module Resetting
    def reset!
      return super if KeptPage.anew || !emptied?
      browser.reset_modals
      @started = false
    end

    private

    # @return [Boolean] false where the browser has to begin anew
    def emptied?
      page = browser.page
      return false if page.stays? || page.downloads.files.any? || browser.targets.size != 1 || !page.evaluate(EMPTIED)
      page.go_to(URI.join(page.current_url, "/__identify__").to_s) # the test server says who it is, and no more
      return false unless arrived?(page)
      browser.cookies.clear
      page.mouse.move(x: -1, y: -1)
      page.network.clear(:traffic)
      true
    rescue Ferrum::Error, URI::Error
      false
    end

    # The browser forgets an address that it is given before it has left the page before.
    def arrived?(page)
      there = "location.pathname === '/__identify__' && document.readyState === 'complete'"
      500.times { page.evaluate(there) ? (return true) : sleep(0.01) }
      false
    end
  end

  Capybara::Cuprite::Page.prepend Noting
  Capybara::Cuprite::Driver.prepend Resetting
end
