require "ffi"
require "open3"
require "tmpdir"
require "support/palettes"

# What independent programs say of the files that we write.
RSpec.describe "Files that go out" do
  palettes = Array.new(6) { |seed| RandomPalettes.new(Random.new(seed)).palette(swatches: 12) }

  def run(*command, input: "")
    output, status = Open3.capture2e(*command, stdin_data: input)
    [status.success?, output.b]
  end

  def written(key, palette, **options)
    path = File.join(Dir.mktmpdir, "moor#{Magpie::Formats.find(key).ending}")
    sending = Magpie::Formats::Sending.new(palette, Magpie::Formats.find(key), options.transform_keys(&:to_s))
    File.binwrite(path, sending.bytes)
    [path, sending.palette]
  end

  it "are XML to xmllint" do
    palettes.each { |palette| %w[svg cxf].each { |key| expect(run("xmllint", "--noout", "--nonet", written(key, palette)[0])).to eq [true, ""] } }
  end

  it "are PNG to pngcheck, with their suggested palettes" do
    palettes.each do |palette|
      path, sent = written("png", palette, depth: "8")
      fine, output = run("pngcheck", "-v", path)
      expect([fine, output.scan(/(\d+) palette\/histogram entr(?:y|ies)/).flatten.sum(&:to_i), output.include?("No errors detected")]).to eq [true, sent.swatches.size, true]
    end
  end

  # Little CMS as such, which knows nothing of ours.
  let(:engine) do
    Module.new do
      extend FFI::Library

      ffi_lib ["lcms2", "liblcms2.so.2"]
      attach_function :cmsOpenProfileFromMem, [:pointer, :uint32], :pointer
      attach_function :cmsGetDeviceClass, [:pointer], :uint32
      attach_function :cmsReadTag, [:pointer, :uint32], :pointer
      attach_function :cmsNamedColorCount, [:pointer], :uint32
      attach_function :cmsNamedColorInfo, [:pointer, :uint32, :pointer, :pointer, :pointer, :pointer, :pointer], :int
      attach_function :cmsLabEncoded2FloatV2, [:pointer, :pointer], :void
      attach_function :cmsGetProfileInfoASCII, [:pointer, :int, :string, :string, :pointer, :uint32], :uint32
    end
  end

  def signature(text) = text.unpack1("N")

  # @return [Array<[String, Array<Float>, Array<Integer>]>] name, Lab and inks of each
  def named_colours(bytes)
    profile = engine.cmsOpenProfileFromMem(FFI::MemoryPointer.from_string(bytes), bytes.bytesize)
    expect(engine.cmsGetDeviceClass(profile)).to eq signature("nmcl")
    list = engine.cmsReadTag(profile, signature("ncl2"))
    name, prefix, suffix, pcs, device, lab = [256, 33, 33, 6, 32, 24].map { |size| FFI::MemoryPointer.new(size) }
    Array.new(engine.cmsNamedColorCount(list)) do |index|
      engine.cmsNamedColorInfo(list, index, name, prefix, suffix, pcs, device)
      engine.cmsLabEncoded2FloatV2(lab, pcs)
      [name.read_string, lab.read_array_of_double(3), device.read_array_of_uint16(4)]
    end
  end

  it "are profiles to Little CMS, which finds each name with its Lab and its inks" do
    palettes.each do |palette|
      path, sent = written("icc", palette)
      found = named_colours(File.binread(path))
      expect(found.map(&:first)).to eq Magpie::Formats::Icc.names(sent)
      found.zip(sent.swatches).each { |(_, lab, _), swatch| expect(lab.zip(Magpie::Formats::Icc.colour(swatch.colour, {}).components).map { |one, two| (one - two).abs }).to all(be < 1e-9) }
    end
    inked = Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "House", swatches: [Magpie::Palette::Swatch.new(name: "Slate", colour: hex("#6E7384"), inks: [100.0, 50.0, 0.0, 10.0])])])
    expect(named_colours(Magpie::Formats::Icc.write(inked))[0][2]).to eq [65535, 32768, 0, 6554]
  end

  it "are style sheets to css-tree, every value of them a value" do
    script = 'import { parse, lexer, walk } from "css-tree"; let s = ""; for await (const c of process.stdin) s += c; console.log(JSON.stringify(JSON.parse(s).map(sheet => { const wrong = []; let count = 0;' \
      'walk(parse(sheet, { onParseError: e => wrong.push(e.message), parseCustomProperty: true }), node => { if (node.type === "Declaration" && node.property.startsWith("--")) { count++; const value = node.value;' \
      'for (const syntax of ["<color>", "<image>"]) { if (!lexer.match(syntax, value).error) return } wrong.push(node.property) } }); return [count, wrong] })))'
    sheets = palettes.product(%w[given hex oklch display-p3]).map { |palette, model| written("css", palette, model:) }
    texts = sheets.map { |path, _| File.read(path).gsub(/var\(.*?\)/, "red") } # which it does not follow
    fine, output = run("node", "--input-type=module", "-e", script, input: JSON.generate(texts))
    expect([fine, JSON.parse(output)]).to eq [true, sheets.map { |_, sent| [sent.swatches.size, []] }]
  end

  it "are pictures to librsvg, with each colour where it is drawn" do
    palettes.each do |palette|
      path, = written("svg", palette)
      fine, output = run("rsvg-convert", "--width", "1008", path, "-o", "#{path}.png")
      expect([fine, output]).to eq [true, ""]
    end
    path, = written("svg", Magpie::Palette.new(name: "House", groups: [Magpie::Palette::Group.new(name: "Dusk", swatches: %w[#E46F58 #231F55].map { |hex| Magpie::Palette::Swatch.new(name: hex, colour: hex(hex)) })]))
    run("rsvg-convert", path, "-o", "#{path}.png")
    drawn = Vips::Image.new_from_file("#{path}.png")
    expect([drawn.getpoint(60, 90).first(3), drawn.getpoint(160, 90).first(3)]).to eq [[228, 111, 88], [35, 31, 85]]
  end
end
