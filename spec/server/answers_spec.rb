require "puma"
require "puma/server"
require "socket"
require_relative "../../config/puma_answers"

# Puma, where threads hand a connection on to each other at the worst moment.
RSpec.describe PumaAnswers do
  # An answer that begins when it is told to, and says when its head is written.
  let(:late) do
    Class.new do
      def initialize(before) = @before = before

      def each
        @before.call
        yield "whole"
      end
    end
  end

  it "has its head, though the thread that handed the connection on is through only then" do
    handed = Queue.new
    pool = nil
    app = proc do
      [200, {"content-type" => "text/plain"}, late.new(proc {
        handed << true # the other thread goes on, and back to wait for work
        Thread.pass until pool.waiting == 1
      })]
    end
    server = Puma::Server.new(app, Puma::Events.new, min_threads: 2, max_threads: 2, log_writer: Puma::LogWriter.null)
    port = server.add_tcp_listener("127.0.0.1", 0).addr[1]
    server.run
    pool = server.instance_variable_get(:@thread_pool)
    reactor = server.instance_variable_get(:@reactor)
    reactor.define_singleton_method(:add) { |client| super(client).tap { handed.pop } } # that connections wait in
    answer = TCPSocket.open("127.0.0.1", port) do |socket|
      Thread.pass until handed.num_waiting == 1
      socket.write "GET / HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n"
      socket.read
    end
    expect(answer).to start_with "HTTP/1.1 200 OK\r\n"
    expect(answer).to end_with "5\r\nwhole\r\n0\r\n\r\n"
  ensure
    handed.close
    server.stop(true)
  end
end
