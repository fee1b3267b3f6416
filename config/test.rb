# What bin/test runs: a database for the specs, the specs, and the database down again.
require_relative "database_cluster"

folder = File.expand_path("../var/test", __dir__)
FileUtils.mkdir_p(folder)
cluster = DatabaseCluster.new(File.join(folder, "database"), durable: false)
begin
  url = ENV["TEST_DATABASE_URL"] || cluster.start("magpie_test")
  pid = spawn({"DATABASE_URL" => url}, "bundle", "exec", "rspec", *ARGV)
  trap("INT") { Process.kill("INT", pid) }
  _, status = Process.wait2(pid)
ensure
  cluster.stop
end
exit(status&.exitstatus || 1)
