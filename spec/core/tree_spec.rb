require_relative "../../config/tree"
require "tmpdir"

RSpec.describe Tree do
  it "finds nothing wrong with this tree" do
    expect(described_class.new(File.expand_path("../..", __dir__)).problems).to eq []
  end

  it "tells long files, long lines, loose files, circles, arrows that go up, and places that know another" do
    Dir.mktmpdir do |root|
      {"lib/magpie/color.rb" => "module Magpie\n class Color\n  def hex = Text.hex(self)\n def x = Formats.y\n end\nend\n", "lib/magpie/color/hue.rb" => "", "lib/magpie/text.rb" => "module Magpie\n module Text\n  def self.hex = Color\n end\nend\n",
       "lib/magpie/text/words.rb" => "#\n" * 251, "lib/magpie/formats.rb" => "module Magpie\n module Formats\n end\nend\n", "app/views/long.erb" => "x" * 161, "app/models/swatch.rb" => "", "app/places/near/views/page.erb" => "<% Swatch::KINDS.each { Swatch.find(1) } %>",
       "app/places/near/page.rb" => "module Places\n module Near\n  class Page\n   def x = Far::Page\n  end\n end\nend\n", "app/places/far/page.rb" => "module Places\n module Far\n  class Page\n  end\n end\nend\n"}.each do |file, text|
        FileUtils.mkdir_p(File.join(root, File.dirname(file)))
        File.write(File.join(root, file), text)
      end
      expect(described_class.new(root).problems).to eq [
        "lib/magpie/text/words.rb has 251 lines: 250 at most", "app/views/long.erb:1 has 161 characters: 160 at most", "app/places/near/views/page.erb asks Swatch: give it a page object with the value",
        "lib/magpie/color uses lib/magpie/formats, which lies above it: lib/magpie/color.rb → lib/magpie/formats.rb",
        "lib/magpie/text uses lib/magpie/color, which lies above it: lib/magpie/text.rb → lib/magpie/color.rb",
        "app/places/near uses app/places/far, another place: app/places/near/page.rb → app/places/far/page.rb",
        "lib/magpie/color, lib/magpie/text use each other in a circle", "lib/magpie/formats.rb lies loose: it has no room"
      ]
    end
  end
end
