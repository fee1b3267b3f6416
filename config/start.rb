# What bin/start runs: database, demo data, server, and all of it down again.
require "net/http"
require_relative "database_cluster"

ROOT = File.expand_path("..", __dir__) unless defined?(ROOT)

class Start
  PORT = Integer(ENV.fetch("PORT", "4567"), exception: false) || abort("PORT is #{ENV["PORT"]}: expected a number")
  VAR = File.join(ROOT, "var")

  def initialize(fresh:)
    @fresh = fresh
    FileUtils.mkdir_p(VAR)
    @lock = File.open(File.join(VAR, "start.lock"), File::RDWR | File::CREAT)
  end

  def run
    abort "Yellow Magpie is already running from this folder" unless @lock.flock(File::LOCK_EX | File::LOCK_NB)
    %w[INT TERM].each { |signal| trap(signal) { @stopping = true } }
    stop_orphan
    abort "Port #{PORT} is in use by another program. Choose one: PORT=4568 bin/start" if answering?
    start_database
    prepare
    serve
  rescue DatabaseCluster::Problem => problem
    abort problem.message
  ensure
    stop
  end

  private

  def start_database
    return if ENV["DATABASE_URL"]
    @cluster = DatabaseCluster.new(File.join(VAR, "database"))
    ENV["DATABASE_URL"] = @cluster.start("yellow_magpie")
  end

  # In a process of its own, so that the server starts clean.
  def prepare
    child = spawn({"FRESH" => @fresh ? "1" : nil}, "ruby", File.join(ROOT, "config/prepare.rb"), pgroup: true)
    _, status = Process.wait2(child)
    abort "The database could not be prepared" unless status.success?
  end

  def serve
    @server = spawn({"APP_ENV" => "production", "RUBYOPT" => ENV["SERVER_RUBYOPT"]}, "bundle", "exec", "puma", "--silent", "--config", File.join(ROOT, "config/puma.rb"), "-b", "tcp://127.0.0.1:#{PORT}", pgroup: true)
    File.write(pid_file, @server)
    until answering? || @stopping
      abort "The server stopped before it answered" if Process.wait(@server, Process::WNOHANG)
      sleep 0.1
    end
    puts "Yellow Magpie is ready: http://127.0.0.1:#{PORT}" unless @stopping
    $stdout.flush
    until @stopping
      if Process.wait(@server, Process::WNOHANG)
        @server = nil
        abort "The server stopped by itself"
      end
      sleep 0.2
    end
  end

  def answering?
    Net::HTTP.start("127.0.0.1", PORT, open_timeout: 1, read_timeout: 5) { |http| http.head("/health") }
    true
  rescue SystemCallError, Timeout::Error, EOFError, Net::ProtocolError
    false
  end

  # A server whose starter was killed goes on by itself; only ours is stopped.
  def stop_orphan
    pid = Integer(File.read(pid_file))
    return unless File.read("/proc/#{pid}/cmdline").include?("puma")
    end_process(pid)
  rescue SystemCallError, ArgumentError
    nil
  end

  def end_process(pid)
    Process.kill("TERM", pid)
    100.times do
      Process.wait(pid, Process::WNOHANG) if pid == @server
      Process.kill(0, pid)
      sleep 0.1
    end
    Process.kill("KILL", pid)
  rescue Errno::ESRCH, Errno::ECHILD
    nil
  end

  def stop
    end_process(@server) if @server
    FileUtils.rm_f(pid_file) if @server
    @cluster&.stop
  end

  def pid_file = File.join(VAR, "server.pid")
end

Start.new(fresh: ARGV.include?("--fresh")).run
