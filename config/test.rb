# What bin/test runs: a database for each core, all specs over all cores, and the
# databases down again. With arguments, RSpec runs them in one process.
require "etc"
require_relative "database_cluster"

DATABASE = "magpie_test"
folder = File.expand_path("../var/test", __dir__)
FileUtils.mkdir_p(folder)
cluster = DatabaseCluster.new(File.join(folder, "database"), durable: false)
cores = ARGV.empty? ? Integer(ENV.fetch("CORES") { Etc.nprocessors }) : 1

# How long each file took is kept in spec/seconds.txt, so that the cores end together;
# MEASURE=1 writes it anew.
def parallel(cores)
  formatters = ["--format", "progress"]
  formatters += ["--format", "ParallelTests::RSpec::RuntimeLogger", "--out", "spec/seconds.txt"] if ENV["MEASURE"]
  ["parallel_rspec", "spec", "-n", cores.to_s, "--group-by", ENV["MEASURE"] ? "filesize" : "runtime", "--runtime-log", "spec/seconds.txt", "--unknown-runtime", "2", "--combine-stderr",
    "--test-options", formatters.join(" ")]
end

begin
  url = ENV["TEST_DATABASE_URL"] || cluster.start(DATABASE)
  # The specs of each process add its number to both (see spec_helper.rb).
  (2..cores).each { |number| cluster.start("#{DATABASE}#{number}") } unless ENV["TEST_DATABASE_URL"]
  command = (cores > 1 && !ENV["TEST_DATABASE_URL"]) ? parallel(cores) : ["rspec", *ARGV]
  pid = spawn({"DATABASE_URL" => url}, "bundle", "exec", *command)
  trap("INT") { Process.kill("INT", pid) }
  _, status = Process.wait2(pid)
ensure
  cluster.stop
end
exit(status&.exitstatus || 1)
