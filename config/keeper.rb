# The process that files from outside are read behind (Magpie::Walls). It knows the core
# alone: no database, no secret, no web.
require "bundler/setup"
require "socket"
$LOAD_PATH.unshift(File.expand_path("../lib", __dir__))
require "magpie"

Magpie::Walls::Keeper.new(UNIXSocket.for_fd(Integer(ARGV.fetch(0))), Magpie::Walls::CELLS, prepared: true).run
