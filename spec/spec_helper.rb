ENV["APP_ENV"] ||= "test"
ENV["HOSTS"] ||= "example.org" # as Rack::Test calls it
# Each process of a parallel run has a database and a cache of its own.
number = ENV["TEST_ENV_NUMBER"].to_s
%w[DATABASE_URL CACHE_DIR].each { |name| ENV[name] += number if ENV[name] } unless number.empty?

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.order = :random
  config.backtrace_exclusion_patterns << %r{/vendor/}
  config.example_status_persistence_file_path = "var/test/examples#{number}.txt"
  config.expect_with(:rspec) { |expectations| expectations.max_formatted_output_length = 600 }

  # The core's specs need neither database nor browser.
  config.define_derived_metadata(file_path: %r{/spec/core/}) { |metadata| metadata[:core] = true }
  config.define_derived_metadata(file_path: %r{/spec/(changes|routes|following|places|fuzz)/}) { |metadata| metadata[:data] = true }
  pages = {page: true, driver: :rack_test}
  config.define_derived_metadata(file_path: %r{/spec/pages/}) { |metadata| metadata.merge!(pages) }
  screens = %r{/spec/(screens|server)/(?!bench)}
  config.define_derived_metadata(file_path: screens) { |metadata| metadata[:screen] = true }
end

$LOAD_PATH.unshift(File.expand_path("../lib", __dir__))
require "bundler/setup"
require "magpie"
require_relative "../config/walls"
require_relative "support/pictures"
require_relative "support/times"
require_relative "support/data" if ENV["DATABASE_URL"]
if ENV["TIMES"]
  times = Times.new("#{ENV["TIMES"]}#{number}.jsonl")
  RSpec.configure { |config| config.reporter.register_listener(times, :example_finished, :dump_summary) }
end
