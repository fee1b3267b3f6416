require "socket"
require "timeout"
require_relative "../../config/puma_answers"

# Puma, where threads hand a connection on to each other at the worst moment.
RSpec.describe PumaAnswers do
  # An answer that comes from a block, once its head is written.
  let(:late) { Struct.new(:come) { def each = yield(come.call) } }

  after { server.stop(true) }

  attr_reader :server

  # @return [Integer] the port
  def serve(threads, &app)
    @server = Puma::Server.new(app, Puma::Events.new, min_threads: threads, max_threads: threads, log_writer: Puma::LogWriter.null)
    server.add_tcp_listener("127.0.0.1", 0).addr[1].tap { server.run }
  end

  # @yield once the connection is there
  def answer_of(port, path = "/")
    Timeout.timeout(30) do
      TCPSocket.open("127.0.0.1", port) do |socket|
        yield if block_given?
        socket.write "GET #{path} HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\r\n"
        socket.read
      end
    end
  end

  def inside(name) = server.instance_variable_get(name)

  it "has its head, though the thread that handed the connection on is through only then" do
    handed = Queue.new
    port = serve(2) do
      [200, {}, late.new(proc {
        handed << true # the other thread goes on, and back to wait for work
        Thread.pass until inside(:@thread_pool).waiting == 1
        "whole"
      })]
    end
    inside(:@reactor).define_singleton_method(:add) { |client| super(client).tap { handed.pop } } # that connections wait in
    answer = answer_of(port) { Thread.pass until handed.num_waiting == 1 }
    expect(answer).to start_with "HTTP/1.1 200 OK\r\n"
    expect(answer).to end_with "5\r\nwhole\r\n0\r\n\r\n"
  end

  it "is of whom it is for: nothing that broke off goes to whoever comes next" do
    port = serve(1) { |env| [200, {"x-for" => env["PATH_INFO"]}, late.new(proc { (env["PATH_INFO"] == "/one") ? raise(Puma::ConnectionError, "gone") : "whole" })] }
    expect(answer_of(port, "/one")).to eq ""
    next_one = answer_of(port, "/two")
    expect(next_one).to match(%r{\AHTTP/1.1 200 OK\r\nx-for: /two\r\n.*\r\n5\r\nwhole\r\n0\r\n\r\n\z}m)
    expect(next_one).not_to include "/one"
  end
end
