module Frame
  # Scripts, styles and fonts. Addresses that name a version never change what they mean,
  # so browsers keep them for a year and do not ask again.
  class BuiltFiles
    YEAR = 31_536_000 # seconds

    def initialize(app)
      @files = Rack::Static.new(app, urls: ["/build"], root: File.join(ROOT, "public"))
    end

    def call(env)
      status, headers, body = @files.call(env)
      headers["cache-control"] = env["QUERY_STRING"].start_with?("v=") ? "public, max-age=#{YEAR}, immutable" : "no-cache" if env["PATH_INFO"].start_with?("/build/") && status < 400
      [status, headers, body]
    end
  end
end
