# Loads everything but the server: gems, core, database connection, application.
ROOT = File.expand_path("..", __dir__)
ENV["BUNDLE_GEMFILE"] ||= File.join(ROOT, "Gemfile")
require "bundler/setup"
require "logger"
require "active_record"
require "zeitwerk"

$LOAD_PATH.unshift(File.join(ROOT, "lib"))
require "magpie"
require_relative "walls"

ActiveRecord.default_timezone = :utc
ActiveRecord::Base.logger = Logger.new($stderr) if ENV["SQL_LOG"]
ActiveRecord::Base.establish_connection(
  ENV.fetch("DATABASE_URL") { abort "DATABASE_URL is not set: bin/start and bin/test set it themselves" }
    # A statement that goes on for a minute keeps a core and a connection from everybody; the
    # longest of ours take a second or two.
    .then { |url| {url:, pool: Integer(ENV.fetch("THREADS", "16")) + 1, connect_timeout: 5, variables: {statement_timeout: "60s"}} }
)

loader = Zeitwerk::Loader.new
loader.push_dir(File.join(ROOT, "app"))
loader.ignore(File.join(ROOT, "app/views"), *Dir[File.join(ROOT, "app/places/*/views")])
loader.collapse(*%w[models queries].map { |room| File.join(ROOT, "app", room) })
loader.setup

Magpie::Palette::Tile.source = ->(form) { Tile.known(form) }
