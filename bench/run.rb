# A cluster as durable as the real one, the measurements (those of frames, when asked for; or
# the parts that are named), and the cluster down again.
require_relative "../config/database_cluster"

folder = File.expand_path("../var/bench", __dir__)
FileUtils.rm_rf(folder)
FileUtils.mkdir_p(folder)
cluster = DatabaseCluster.new(File.join(folder, "database"))
begin
  url = cluster.start("magpie_bench")
  env = {"DATABASE_URL" => url, "RUBYOPT" => ENV["SERVER_RUBYOPT"]}
  script = File.join(__dir__, (ARGV.first == "frames") ? "frames.rb" : "measure.rb")
  status = system(env, "bundle", "exec", "ruby", script, *(ARGV - ["frames"]))
ensure
  cluster.stop
end
exit(status ? 0 : 1)
