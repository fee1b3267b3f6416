require "net/http"
require "open3"
require "socket"
require "timeout"
require "tmpdir"
require_relative "../../config/database_cluster"

# The database that bin/start and bin/test bring up.
RSpec.describe DatabaseCluster do
  let(:folder) { Dir.mktmpdir.tap { |path| File.chmod(0o755, path) } }
  let(:cluster) { described_class.new(File.join(folder, "database"), durable: false) }

  after do
    cluster.stop
    FileUtils.rm_rf(folder)
  end

  def ask(url, sql) = Open3.capture2e("psql", url, "-qAtc", sql).first.strip

  it "starts on loopback, keeps its data over a stop, and lets nobody in without its password" do
    url = cluster.start("magpie_one")
    ask(url, "CREATE TABLE kept AS SELECT 42 AS value")
    expect(ask(url, "SHOW listen_addresses")).to eq "127.0.0.1"
    cluster.stop
    expect(cluster).not_to be_running
    expect(ask(cluster.start("magpie_one"), "SELECT value FROM kept")).to eq "42"
    expect(ask(cluster.url("magpie_one").sub(/:\h+@/, ":wrong@"), "SELECT 1")).to include("password authentication failed")
    expect(File.stat(File.join(folder, "database/password")).mode & 0o077).to eq 0
  end

  it "takes over the one that still runs" do
    url = cluster.start("magpie_one")
    expect(described_class.new(File.join(folder, "database"), durable: false).start("magpie_one")).to eq url
  end

  it "recovers from a killed server and its stale lock" do
    cluster = described_class.new(File.join(folder, "lasting"))
    url = cluster.start("magpie_one")
    ask(url, "CREATE TABLE kept AS SELECT 7 AS value")
    pid = File.readlines(File.join(folder, "lasting/data/postmaster.pid")).first.to_i
    system(*("sudo" if !Process.uid.zero? && File.stat("/proc/#{pid}").uid != Process.uid), "kill", "-KILL", pid.to_s)
    Timeout.timeout(20) { Thread.pass while cluster.running? }
    expect(File.exist?(File.join(folder, "lasting/data/postmaster.pid"))).to be true
    expect(ask(cluster.start("magpie_one"), "SELECT value FROM kept")).to eq "7"
  ensure
    cluster.stop
  end

  it "begins again where a set-up was interrupted" do
    FileUtils.mkdir_p(File.join(folder, "database/data/base"))
    expect(cluster.start("magpie_one")).to include("127.0.0.1")
  end
end
