# Eight visitors at once: pages a second and bytes a page, from a server as bin/start
# runs it. The visitors share the two cores with it, as a browser on the same machine does.
require_relative "server"

module Bench
  # A server, asked by several at once.
  class Visitors
    COUNT = 8
    SECONDS = Integer(ENV.fetch("SECONDS") { Bench.many(6, 1) })
    TICKS = 100.0 # a second, of Linux's count of processor time

    # @param demo [Project]
    def initialize(demo)
      @demo = demo
      @port = Server.port
    end

    def rows
      %w[gather palettes dress deliver].first(Bench.many(4, 1)).each do |place|
        Bench.try("Page #{place}, #{COUNT} visitors at once") { page(place) }
      end
    end

    private

    def page(place)
      pages, bytes, sent, used = ask("/projects/#{@demo.id}/#{place}")
      Bench.row "Page #{place}, #{COUNT} visitors at once", pages, "aim: 100", "#{used.round(1)} ms of a core in the server; #{bytes / 1024} KB, #{sent / 1024} KB sent", unit: "a second"
    end

    # Seconds of a core that the server's processes have used.
    def used
      workers = Dir["/proc/[0-9]*/stat"].filter_map { |file| File.read(file)[/\) (.*)/, 1].split if File.exist?(file) }.select { |fields| fields[1].to_i == Server.pid }
      workers.sum { |fields| fields[11].to_i + fields[12].to_i } / TICKS
    end

    # @return [Float, Integer, Integer, Float] pages a second, bytes of a page, bytes that
    #   were sent, milliseconds of a core
    def ask(path)
      bytes = plain(path)
      sent = 0
      visitor = -> { get(path) { |body| sent = body.bytesize } }
      COUNT.times.map { Thread.new(&visitor) }.each(&:join) # each worker has seen it
      before = used
      done = COUNT.times.map { Thread.new { until_over(path) } }.sum(&:value)
      [done / SECONDS.to_f, bytes, sent, (used - before) * 1000 / done]
    end

    def plain(path) = Net::HTTP.start("127.0.0.1", @port) { |http| http.get(path, "Accept-Encoding" => "identity").body.bytesize }

    def get(path)
      Net::HTTP.start("127.0.0.1", @port) do |http|
        http.request(request(path)) { |answer| yield answer.body }
      end
    end

    def until_over(path)
      over = now + SECONDS
      count = 0
      Net::HTTP.start("127.0.0.1", @port) do |http|
        asking = request(path)
        cookie = http.request(asking)["Set-Cookie"]&.[](/\A[^;]+/)
        asking["Cookie"] = cookie
        while now < over
          answer = http.request(asking)
          raise answer.body[0, 300] unless answer.is_a?(Net::HTTPOK)
          count += 1
        end
      end
      count
    end

    # As a browser asks; what comes is left as it came.
    def request(path) = Net::HTTP::Get.new(path, "Accept-Encoding" => "gzip")

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
