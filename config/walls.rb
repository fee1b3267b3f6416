# Files from outside are read by processes that are started anew: nothing of what this one
# knows reaches them. Whatever uses the core beside other work requires this.
# A cell reads one file and is gone: it hardly ever needs to look for what it could forget.
KEEPER_ROOM = {"RUBY_GC_HEAP_INIT_SLOTS" => "1000000", "RUBY_GC_MALLOC_LIMIT" => "128000000", "RUBY_GC_MALLOC_LIMIT_MAX" => "256000000", "RUBY_GC_OLDMALLOC_LIMIT" => "256000000"}.freeze

Magpie::Walls.keep_by(
  [RbConfig.ruby, File.expand_path("keeper.rb", __dir__)],
  ENV.to_h.slice("PATH", "HOME", "LANG", "LC_ALL", "TMPDIR").merge("VIPS_WARNING" => "0", "BUNDLE_GEMFILE" => File.expand_path("../Gemfile", __dir__), **KEEPER_ROOM)
)
