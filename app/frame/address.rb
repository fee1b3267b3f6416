require "uri"

module Frame
  # Addresses of this site, as somebody else says them: a form, a browser.
  module Address
    LONGEST = 8000
    # A path and a query as RFC 3986 writes them, and no other host; in a query browsers
    # leave some signs more as they were typed.
    LOCAL = %r{\A/(?!/)(?:[A-Za-z0-9\-._~!$&'()*+,;=:@/]|%\h\h)*(?:\?(?:[A-Za-z0-9\-._~!$&'()*+,;=:@/?\[\]{}|^`]|%\h\h)*)?\z}

    module_function

    # @param text [Object]
    # @return [String, nil] path and query; nil where it leads anywhere else, or nowhere
    def local(text)
      text if text.is_a?(String) && text.size <= LONGEST && text.match?(LOCAL) && Asked.text?(Rack::Utils.unescape_path(text[/\A[^?]*/]))
    end

    # Where a page was, whatever the site.
    # @param referer [String, nil]
    # @return [String, nil] path and query
    def of_page(referer)
      address = URI.parse(referer.to_s)
      local([address.path, address.query].compact.join("?"))
    rescue URI::InvalidURIError
      nil
    end
  end
end
