require_relative "suite/run"

exit Suite::Run.new(ARGV).call
