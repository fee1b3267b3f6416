require "uri"

module Places
  # One request of actions. Its body is JSON: where the window is ("at"), the actions
  # ("path" and "fields" of each), and a page to go to after them ("then"); or, for one
  # action with files, a form, with "path" and "at" in the address.
  class Sequence
    MOST = 200 # actions
    LARGEST = 8 * 1024 * 1024 # bytes of JSON
    HOPS = 4
    # A page may come whole where parts were asked for. Text that people gave is escaped.
    PARTLY = '<div data-parts="'
    # Of a request, what each action has anew.
    OWN = /\A(rack\.request\.|rack\.input|sinatra\.|magpie\.|CONTENT_|HTTP_X_PARTS|HTTP_REFERER)/

    def initialize(router, env)
      @router, @env = router, env
      @told, @touched = [], []
      read
    end

    # @return [Array] Rack's answer: where the window is now, what it is told, and the page
    def answer
      @actions.each { |action| act(action) or return @later }
      page = go(@then || @at)
      return page if later?(page)
      @env["rack.session.options"][:skip] = false # a new visitor's mark is kept
      text = page.last.each.to_a.join.force_encoding(Encoding::UTF_8)
      json(at: @at, told: @told, parts: (@parts if text.include?(PARTLY)), page: text)
    end

    private

    def read
      asked = Rack::Utils.parse_query(@env["QUERY_STRING"])
      return one(asked) if asked["path"]
      text = @env["rack.input"].read(LARGEST + 1).to_s
      raise Actions::Malformed, "more than #{LARGEST / 1024 / 1024} MB" if text.bytesize > LARGEST
      given = JSON.parse(text)
      raise Actions::Malformed, "expected an object" unless given.is_a?(Hash)
      @at, @then = local(given["at"]), given["then"] && local(given["then"])
      @from = path_of(@at)
      @whole = given["whole"] || !@then.nil?
      @actions = Array(given["actions"]).map { |action| action.is_a?(Hash) ? [local(action["path"]), form(action["fields"])] : raise(Actions::Malformed, "expected actions") }
      raise Actions::Malformed, "more than #{MOST} at once" if @actions.size > MOST
    end

    # With files, as the browser made it.
    def one(asked)
      @at, @whole = local(asked["at"]), true
      @actions = [[local(asked["path"]), @env.slice("rack.input", "CONTENT_TYPE", "CONTENT_LENGTH")]]
    end

    # @param fields [Array<[String, String]>]
    def form(fields)
      body = URI.encode_www_form(Array(fields).map { |name, value| [name.to_s, value.to_s] })
      {"rack.input" => StringIO.new(body), "CONTENT_TYPE" => "application/x-www-form-urlencoded", "CONTENT_LENGTH" => body.bytesize.to_s}
    end

    # @return [String] path and query of an address of this site
    def local(text)
      address = Frame::Address.local(text)
      raise Actions::Malformed, "no address of this site" if address.nil? || address.start_with?(Actions::PATH)
      address
    end

    # @return [Boolean] false when it is to come again later
    def act((path, body))
      env = request("POST", path, body)
      status, headers, = answered = @router.call(env)
      return (@later = answered) && false if later?(answered)
      @touched << env["magpie.touched"]
      hear(status, answered.last)
      @at = local(URI.parse(headers["location"]).request_uri) if headers["location"]
      true
    end

    # The words that the next page would say.
    def hear(status, body)
      notice = @env["rack.session"].delete("notice")
      @told << notice.values_at("words", "kind") if notice
      return if status < 400 || notice
      text = body.each.to_a.join
      @told << [(status == 404) ? "What this was about is not there any more. Nothing was done" : text[0, 300], "wrong"]
    end

    # The page that they lead to, or the parts of it that they touch.
    def go(path)
      @parts = (@touched.flatten.uniq if !@whole && @touched.all? && path_of(path) == @from)
      HOPS.times do
        status, headers, = answered = @router.call(request("GET", path, {}, "HTTP_X_PARTS" => @parts&.join(" ")))
        @at = path
        return answered unless status.between?(300, 399)
        path = local(URI.parse(headers["location"]).request_uri)
      end
      raise Actions::Malformed, "it leads round in a circle"
    end

    def path_of(address) = address[/\A[^?]*/]

    def request(verb, path, body, more = {})
      path, query = path.split("?", 2)
      {**@env.reject { |name, _| OWN.match?(name) }, "REQUEST_METHOD" => verb, "PATH_INFO" => Rack::Utils.unescape_path(path), "QUERY_STRING" => query.to_s,
       "HTTP_REFERER" => "#{@env["rack.url_scheme"]}://#{@env["HTTP_HOST"]}#{@at}", "rack.input" => StringIO.new, **body, **more}.compact
    end

    def later?(answered) = answered.first == 503

    def json(**values) = [200, {"content-type" => "application/json", "cache-control" => "no-store"}, [JSON.generate(values)]]
  end
end
