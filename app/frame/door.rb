require "rack/request"

module Frame
  # Where every request comes in and every answer goes out. What cannot be a request of
  # ours is answered here, in one line; what goes wrong inside is too, so that there is no
  # answer without our headers and none that the way of an error can break.
  class Door
    METHODS = %w[GET HEAD POST].freeze
    LARGEST = 256 * 1024 * 1024 # bytes of one request
    # What only a proxy of ours may say. See docs/security.md: PROXY=1 declares one.
    FORWARDED = %w[HTTP_FORWARDED HTTP_X_FORWARDED_HOST HTTP_X_FORWARDED_FOR HTTP_X_FORWARDED_PROTO HTTP_X_FORWARDED_SCHEME HTTP_X_FORWARDED_SSL HTTP_X_FORWARDED_PORT HTTP_X_ORIGINAL_URL HTTP_X_REWRITE_URL HTTP_X_HTTP_METHOD_OVERRIDE].freeze
    POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; style-src-attr 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'"
    HEADERS = {"content-security-policy" => POLICY, "x-content-type-options" => "nosniff", "referrer-policy" => "same-origin", "x-frame-options" => "DENY", "cross-origin-resource-policy" => "same-origin"}.freeze

    # @return [Array] Rack's answer of one line
    def self.line(status, words, **headers) = [status, {"content-type" => "text/plain; charset=utf-8", **headers.transform_keys { |name| name.to_s.tr("_", "-") }}, [words]]

    def initialize(app) = @app = app

    def call(env)
      status, headers, body = answer(env)
      [status, HEADERS.merge(headers), body]
    end

    private

    def answer(env)
      FORWARDED.each { |name| env.delete(name) } unless ENV["PROXY"] == "1"
      refusal(env) || @app.call(env)
    rescue Rack::BadRequest => error
      unreadable(error)
    rescue StandardError, SystemStackError => error
      raise if ENV["APP_ENV"] == "test" && !env["magpie.as_in_production"] # so that a spec fails with the cause
      env["rack.errors"]&.puts("#{error.class}: #{error.message.to_s[0, 500]} (#{env["REQUEST_METHOD"]} #{env["PATH_INFO"].to_s.inspect[0, 200]})", error.backtrace.to_a.first(12))
      Door.line(500, "Something went wrong here, and nothing was changed. The log says more.")
    end

    def refusal(env)
      return Door.line(405, "Expected GET or POST", allow: METHODS.join(", ")) unless METHODS.include?(env["REQUEST_METHOD"])
      return Door.line(413, "That is more than 256 MB at once") if env["CONTENT_LENGTH"].to_i > LARGEST
      return Door.line(422, "Something in this address is no text: expected UTF-8") unless address?(env)
      return Door.line(403, "This was sent from a page of another site. Nothing was done") if env["REQUEST_METHOD"] == "POST" && foreign?(env)
      parse(env)
    end

    def address?(env) = Asked.text?(Rack::Utils.unescape_path(env["PATH_INFO"].to_s)) && env["PATH_INFO"].to_s.ascii_only?

    # Browsers say where a request comes from; what says nothing is no browser, and has
    # its token to show.
    def foreign?(env)
      site = env["HTTP_SEC_FETCH_SITE"]
      return true if site && site != "same-origin"
      origin = env["HTTP_ORIGIN"]
      origin && origin != Rack::Request.new(env).base_url
    end

    # Whatever Rack cannot read, nobody after it needs to try. Files are read once, by
    # whoever takes them.
    def parse(env)
      request = Rack::Request.new(env)
      request.GET
      request.POST if env["REQUEST_METHOD"] == "POST" && request.media_type != "multipart/form-data"
      nil
    rescue ArgumentError, EncodingError => error
      unreadable(error)
    end

    def unreadable(error) = Door.line(400, "This form cannot be read: #{error.message.to_s.scrub("?")[0, 200]}")
  end
end
