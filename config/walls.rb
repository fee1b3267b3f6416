# Files from outside are read by processes that are started anew: nothing of what this one
# knows reaches them. Whatever uses the core beside other work requires this.
Magpie::Walls.keep_by(
  [RbConfig.ruby, File.expand_path("keeper.rb", __dir__)],
  ENV.to_h.slice("PATH", "HOME", "LANG", "LC_ALL", "TMPDIR").merge("VIPS_WARNING" => "0", "BUNDLE_GEMFILE" => File.expand_path("../Gemfile", __dir__))
)
