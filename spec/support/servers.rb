require "net/http"
require "socket"
require "timeout"

# A server of its own, as bin/start runs it, that can be killed.
module ServerSupport
  ROOT_FOLDER = File.expand_path("../..", __dir__)

  def port = @port ||= TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }

  # @param workers [Integer] processes; 0 is one that does all itself
  # @return [Integer] process group
  def start_server(workers: 0)
    pid = spawn({"APP_ENV" => "production", "RUBYOPT" => ENV["SERVER_RUBYOPT"], "WEB_CONCURRENCY" => workers.to_s}, "bundle", "exec", "puma", "-C", "config/puma.rb", "-b", "tcp://127.0.0.1:#{port}", chdir: ROOT_FOLDER, pgroup: true, out: File::NULL, err: File::NULL)
    Timeout.timeout(60) { Thread.pass until answering? }
    pid
  end

  def kill_server(pid)
    Process.kill("KILL", -pid)
    Process.wait(pid)
  end

  def answering?
    Net::HTTP.get_response(URI("http://127.0.0.1:#{port}/health")).is_a?(Net::HTTPOK)
  rescue SystemCallError, EOFError, Net::HTTPBadResponse
    false
  end
end
