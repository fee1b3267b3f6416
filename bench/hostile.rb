require_relative "../spec/support/hostile"

module Bench
  # What another visitor notices while files come in that cost as much as a file can:
  # two uploads in flight for each cell, all of one person, against pages of another.
  class HostileFiles < Visitors
    FILES = Bench.many(20, 1)
    AT_ONCE = 6 # as many as a browser opens to one host
    PLACES = %w[gather palettes dress deliver].freeze

    # Drawings that a reader works on, and pictures that a decoder works on, until they are
    # stopped; and such as are over soon.
    KINDS = [
      ["artworks", Hostile.svg(Hostile::COSTLY["rules without end"].first)],
      ["sources", Hostile.svg(%(<filter id="f"><feConvolveMatrix order="20" kernelMatrix="#{"1 " * 400}"/></filter><rect width="90" height="90" filter="url(#f)"/>))],
      ["sources", Hostile.svg("#{'<g opacity=".9">' * 80}<rect width=\"90\" height=\"90\"/>#{"</g>" * 80}")],
      ["artworks", Hostile.svg("<g/>" * 1_000_000)],
      ["sources", Hostile.svg(%(<marker id="m"><circle r="3"/></marker><path d="M0 0#{"l1 1" * 100_000}" marker-mid="url(#m)"/>))]
    ].freeze

    def rows
      quiet = pages(Bench.many(40, 4))
      asked, seconds = while_files_come_in { pages }
      median, all = percent(asked, 50).round(1), "#{asked.size} pages in #{seconds.round} s"
      Bench.row "A page, by itself: 95 % of them", percent(quiet, 95), "–", "median #{percent(quiet, 50).round(1)} ms"
      Bench.row "A page while #{FILES} hostile files come in from somebody else: 95 % of them", percent(asked, 95),
        "< 300 ms", "median #{median}, longest #{asked.max.round(1)} ms; #{all}"
    end

    private

    def percent(times, share) = times.sort[(times.size * share / 100.0).ceil - 1]

    # Milliseconds of pages, one after the other, until it is over or so many were asked.
    def pages(count = nil)
      times = []
      Net::HTTP.start("127.0.0.1", @port) do |http|
        asking = PLACES.map { |place| request("/projects/#{@demo.id}/#{place}") }
        cookie = http.request(asking.first)["Set-Cookie"]&.[](/\A[^;]+/)
        asking.each { |each| each["Cookie"] = cookie }
        loop do
          start = now
          raise "a page was refused" unless http.request(asking[times.size % asking.size]).is_a?(Net::HTTPOK)
          times << (now - start) * 1000
          break if count ? times.size >= count : @over
        end
      end
      times
    end

    def while_files_come_in
      @over, start = false, now
      files = Queue.new
      FILES.times { |number| files << KINDS[(number + Bench.many(0, 3)) % KINDS.size] }
      files.close
      page = Net::HTTP.start("127.0.0.1", @port) { |http| http.get("/projects/#{@demo.id}/palettes") }
      signs = {"Cookie" => page["Set-Cookie"][/\A[^;]+/], "X-CSRF-Token" => page.body[/name="authenticity_token" value="([^"]+)"/, 1]}
      sending = Thread.new { AT_ONCE.times.map { Thread.new { send_all(files, signs) } }.each(&:join) && @over = true }
      times = yield
      sending.join
      [times, now - start]
    end

    def send_all(files, signs)
      Net::HTTP.start("127.0.0.1", @port, read_timeout: 120) do |http|
        while (kind, svg = files.pop)
          post = Net::HTTP::Post.new("/projects/#{@demo.id}/#{kind}", signs)
          post.set_form([["files[]", svg, {filename: "night.svg"}]], "multipart/form-data")
          answer = http.request(post)
          raise answer.body[0, 300] unless answer.code == "303"
        end
      end
    end
  end
end
