require "net/http"
require "socket"

module Bench
  # A server as bin/start runs it, for all parts that ask one; it goes when they are done.
  module Server
    module_function

    def port = @port ||= TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }.tap { |free| start(free) }

    # @return [Integer] the process whose children answer
    def pid = port && @pid

    def start(port)
      env = {"APP_ENV" => "production", "RUBYOPT" => ENV["SERVER_RUBYOPT"]}
      listen = %W[--silent -C config/puma.rb -b tcp://127.0.0.1:#{port}]
      @pid = spawn(env, "bundle", "exec", "puma", *listen, chdir: File.expand_path("..", __dir__))
      at_exit { stop }
      sleep 0.1 until answering?(port)
    end

    def stop
      Process.kill("TERM", @pid)
      Process.wait(@pid)
    end

    def answering?(port)
      Net::HTTP.get_response("127.0.0.1", "/health", port).is_a?(Net::HTTPOK)
    rescue SystemCallError
      false
    end
  end
end
