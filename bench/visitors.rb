# Eight visitors at once: pages a second and bytes a page, from a server as bin/start
# runs it. The visitors share the two cores with it, as a browser on the same machine does.
require "net/http"
require "socket"

module Bench
  # A server of its own, asked by several at once.
  class Visitors
    COUNT = 8
    SECONDS = 6

    # @param demo [Project]
    def initialize(demo)
      @demo = demo
      @port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }
    end

    def rows
      serve do
        %w[gather palettes dress deliver].each do |place|
          pages, bytes, sent = ask("/projects/#{@demo.id}/#{place}")
          Bench.row "Page #{place}, #{COUNT} visitors at once", pages, "aim: 100", "#{bytes / 1024} KB, #{sent / 1024} KB of them sent", unit: "a second"
        end
      end
    end

    private

    def serve
      root = File.expand_path("..", __dir__)
      pid = spawn({"APP_ENV" => "production"}, "bundle", "exec", "puma", "--silent", "-C", "config/puma.rb", "-b", "tcp://127.0.0.1:#{@port}", chdir: root)
      sleep 0.1 until answering?
      yield
    ensure
      Process.kill("TERM", pid)
      Process.wait(pid)
    end

    def answering?
      Net::HTTP.get_response("127.0.0.1", "/health", @port).is_a?(Net::HTTPOK)
    rescue SystemCallError
      false
    end

    # @return [Float, Integer, Integer] pages a second, bytes of a page, bytes that were sent
    def ask(path)
      bytes = plain(path)
      sent = 0
      visitor = -> { get(path) { |body| sent = body.bytesize } }
      COUNT.times.map { Thread.new(&visitor) }.each(&:join) # each worker has seen it
      done = COUNT.times.map { Thread.new { until_over(path) } }.sum(&:value)
      [done / SECONDS.to_f, bytes, sent]
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
