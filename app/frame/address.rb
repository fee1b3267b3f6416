require "uri"

module Frame
  # Addresses of this site, as somebody else says them: a form, a browser.
  module Address
    LONGEST = 8000
    # A path and a query as RFC 3986 writes them, and no other host.
    LOCAL = %r{\A/(?!/)[A-Za-z0-9\-._~!$&'()*+,;=:@%/]*(?:\?[A-Za-z0-9\-._~!$&'()*+,;=:@%/?\[\]]*)?\z}

    module_function

    # @param text [String, nil]
    # @return [String, nil] path and query; nil where it leads anywhere else, or nowhere
    def local(text)
      address = URI.parse(text.to_s)
      local = [address.path, address.query].compact.join("?")
      local if local.size <= LONGEST && local.match?(LOCAL)
    rescue URI::InvalidURIError
      nil
    end
  end
end
