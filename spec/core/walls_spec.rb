require "open3"
require "tmpdir"
require "support/hostile"

RSpec.describe Magpie::Walls do
  poster = File.binread(File.expand_path("../../db/demo/poster.svg", __dir__))
  # Each group needs a layer of its own, all of them more than a cell may have.
  greedy = Hostile.svg("#{'<g opacity=".9">' * 80}<rect width=\"90\" height=\"90\"/>#{"</g>" * 80}")
  broken = "night sky.svg cannot be read: it makes the decoder stop, or asks for more than a file gets here, 10 seconds and 1 GB"

  # How a process ended. It must not end as this one would, and take its browser with it.
  def ending
    pid = fork do
      yield
      exit!(0)
    rescue NoMemoryError
      exit!(9)
    end
    Process.wait2(pid).last
  end

  def keepers = Dir["/proc/[0-9]*/stat"].filter_map { |path|
    begin
      File.read(path).split[3].to_i == Process.pid && File.read(path.sub("stat", "cmdline")).include?("keeper.rb") && path[/\d+/].to_i
    rescue
      nil
    end
  }.select(&:itself)

  it "makes a small picture of a drawing that is a strip, of its middle" do
    [[60_000, 1], [1, 60_000], [9_000, 2], [4, 4_000]].each do |width, height|
      strip = %(<svg xmlns="http://www.w3.org/2000/svg" width="#{width}" height="#{height}"><rect width="100%" height="100%" fill="#E46F58"/></svg>)
      small = Vips::Image.jpegload_buffer(described_class.thumbnail(strip, [width, height], 238, 152, name: "strip.svg"))
      expect([small.width, small.height, small.getpoint(119, 76).zip([228, 111, 88]).map { |got, wanted| (got - wanted).abs }.max]).to match [238, 152, be < 4]
    end
  end

  it "gives what reading here gives" do
    there, here = described_class.artwork(poster, name: "poster.svg"), Magpie::Artwork.read(poster, name: "poster.svg")
    expect([there.template, there.paints, there.parts, there.dropped]).to eq [here.template, here.paints, here.parts, here.dropped]
    tokens = '{"dusk":{"$type":"color","ember":{"$value":"#E46F58"}}}'
    expect(described_class.palette(tokens, name: "dusk.tokens.json").palette).to eq Magpie::Formats.read(tokens, name: "dusk.tokens.json").palette
    png = flat_picture(30, 20, [226, 112, 90]).pngsave_buffer
    path = File.join(Dir.mktmpdir, "picture.v")
    opened = described_class.picture(png, name: "flat.png", to: path)
    expect([opened.width, opened.height, opened.facts]).to eq [30, 20, Magpie::Painters.picture(png).facts]
    expect(Magpie::Picture.reopen(path).at(3, 3).average.hex).to eq "#E2705A"
    expect(described_class.grounds(here.template, here.paints, name: "poster.svg")[1].keys).to match_array here.parts.map(&:key)
  end

  it "tells what a file is told here, with the file's name and the place" do
    expect { described_class.artwork(Hostile.svg("<g>\n<circle r='1e30'/></g>"), name: "moor.svg") }.to raise_error(Magpie::Error) { |error| expect([error.message, error.file]).to eq ["moor.svg: line 2: r is 1e30: numbers go up to 10,000,000", "moor.svg"] }
    expect { described_class.picture("GIF89a", name: "moor.gif") }.to raise_error(Magpie::Error, /\Amoor.gif is damaged/)
  end

  it "lets a file die by itself: others go on, and so does the next" do
    others = Array.new(6) { Thread.new { described_class.artwork(poster, name: "poster.svg").parts.size } }
    expect { described_class.picture(greedy, name: "night sky.svg") }.to raise_error(described_class::Broken, broken)
    expect(others.map(&:value)).to eq [20] * 6
    expect(described_class.picture(poster, name: "poster.svg").height).to eq 2400
  end

  it "is there again when its keeper and all its cells were killed" do
    described_class.open
    expect(keepers).not_to be_empty
    keepers.each { |pid| [*Dir["/proc/#{pid}/task/*/children"].flat_map { |path| File.read(path).split.map(&:to_i) }, pid].each { |each| Process.kill("KILL", each) } }
    expect(described_class.artwork(poster, name: "poster.svg").parts.size).to eq 20
  end

  it "knows nothing of the server: neither its database nor what else its environment says" do
    described_class.artwork(poster, name: "poster.svg")
    environment = File.binread("/proc/#{keepers.last}/environ").split("\0").map { |pair| pair[/\A[^=]*/] }
    expect(environment).not_to include("DATABASE_URL", "CACHE_DIR", "RUBYOPT")
    files = Dir["/proc/#{keepers.last}/fd/*"].filter_map { |path|
      begin
        File.readlink(path)
      rescue
        nil
      end
    }
    expect(files.grep(/socket/).size).to eq 1
  end

  it "is held by the system: processor time, time by the clock, memory" do
    stub_const("Magpie::Walls::SECONDS", 1)
    expect(Signal.signame(ending { described_class::Cell.limit && loop {} }.termsig)).to match(/XCPU|KILL/)
    expect(Signal.signame(ending { described_class::Cell.end_after(1) && IO.select(nil) }.termsig)).to eq "ALRM"
    expect(ending { described_class::Cell.hush && described_class::Cell.limit && Array.new(40) { "x" * 50_000_000 } }.success?).to be_falsey
    expect(ending { described_class::Cell.limit && exit!(Process.getpriority(Process::PRIO_PROCESS, 0)) }.exitstatus).to eq described_class::Cell::NICE
  end

  it "has all its limits where one of them is lower already, as a user may have it" do
    reader, writer = IO.pipe
    cell = described_class::Cell # loaded by now: nobody else may read a folder of root's
    ending do
      Process.setrlimit(:FSIZE, 1_000_000_000)
      Process::UID.change_privilege(65_534) if Process.uid.zero?
      cell.limit
      writer.write(%i[FSIZE DATA CPU].map { |what| Process.getrlimit(what).last }.join(" "))
    end
    writer.close
    expect(reader.read.split.map(&:to_i)).to eq [1_000_000_000, described_class::MEMORY, described_class::SECONDS]
  end

  it "stands before the shell command too" do
    path = File.join(Dir.mktmpdir, "night sky.svg")
    File.write(path, greedy)
    output, errors, status = Open3.capture3({"RUBYOPT" => nil}, File.expand_path("../../bin/magpie", __dir__), "picture", path, "--at", "3,3")
    expect([output, errors, status.exitstatus]).to eq ["", "#{broken}\n", 2]
  end
end
