require "ffi"

# Formats of the press and of measurement.
RSpec.describe "Files of measured colours" do
  def read(bytes, name = "moor.bin", **how) = Magpie::Formats.read(bytes, name:, **how)

  def notes(result) = result.notes.map(&:to_s)

  def palette(*swatches, **more) = Magpie::Palette.new(name: "Tarn & Fell", groups: [Magpie::Palette::Group.new(name: "Tarn & Fell", swatches:)], **more)

  def swatch(name, text, **more) = Magpie::Palette::Swatch.new(name:, colour: hex(text), **more)

  describe Magpie::Spectrum do
    it "comes to what an independent program makes of it under D50 and 2°" do
      # argyll's spec2cie 2.3.1 -i D50 -o 1931_2, of this spectrum
      edge = described_class.checked(400, 10, (0..30).map { |step| 0.1 + 0.8 / (1 + Math.exp(-(step - 18) / 2.0)) })
      expect(edge.color.in(:xyz_d50).map { |value| value * 100 }).to match [be_within(0.02).of(51.7803), be_within(0.02).of(38.375), be_within(0.02).of(8.60908)]
      expect(edge.color.components).to match [be_within(0.02).of(68.2961), be_within(0.03).of(43.0689), be_within(0.03).of(51.175)]
    end

    it "sees a perfect white as white and an even grey as grey, in whatever steps it was measured" do
      [[380, 10, 41], [360, 5, 95], [400, 20, 16], [400, 1, 301]].each do |start, step, count|
        expect(described_class.checked(start, step, [1.0] * count).color.components).to match [be_within(1e-9).of(100), be_within(1e-9).of(0), be_within(1e-9).of(0)]
        expect(described_class.checked(start, step, [0.5] * count).color.components.first).to be_within(1e-4).of(76.0693)
      end
    end

    it "refuses what is no spectrum of visible light" do
      [[400, 10, [0.5] * 3], [500, 10, [0.5] * 31], [400, 10, [0.5] * 10], [400, 100, [0.5] * 31], [400, 10, [0.5] * 30 + [11]], [400, 10, [Float::NAN] * 31]].each do |given|
        expect { described_class.checked(*given) }.to raise_error(Magpie::Error, /\Aa spectrum/)
      end
    end
  end

  describe Magpie::Formats::Icc do
    it "writes names, Lab and inks to the byte where the standard has them" do
      bytes = described_class.write(palette(swatch("Slate", "#6E7384", inks: [50.0, 40.0, 30.0, 20.0])))
      expect([bytes.byteslice(0, 4).unpack1("N"), bytes.byteslice(12, 12), bytes.byteslice(36, 4)]).to eq [bytes.bytesize, "nmclCMYKLab ", "acsp"]
      at = bytes.index("ncl2\0\0\0\0".b)
      type, _, _, count, device, _, _, name, *numbers = bytes.byteslice(at..).unpack("a4NNNNa32a32Z32n7")
      lab = hex("#6E7384").in(:lab)
      expect([type, count, device, name]).to eq ["ncl2", 1, 4, "Slate"]
      expect(numbers).to eq [(lab[0] * 652.8).round, ((lab[1] + 128) * 256).round, ((lab[2] + 128) * 256).round, 32768, 26214, 19661, 13107]
    end

    # The same colours as version 2 wrote them, in Lab or XYZ, with prefix and suffix.
    def profile(pcs, numbers, prefix: "", suffix: "", device: 0, count: 1)
      tag = ["ncl2", 0, 0, count, device, prefix, suffix].pack("a4NNNNa32a32") + ["Slate", *numbers].pack("a32n*")
      desc = ["desc", 0, 11, "Tarn & Fell"].pack("a4NNa*") + "\0" * 79
      tags = {"desc" => desc, "ncl2" => tag}
      at = 132 + 12 * tags.size
      table = tags.map { |signature, data| [signature, at, data.bytesize].pack("a4NN").tap { at += data.bytesize } }.join
      [at, "", 0x02100000, "nmcl", "RGB ", pcs, "", "acsp"].pack("Na4Na4a4a4a12a4") + "\0" * 88 + [tags.size].pack("N") + table + tags.values.join
    end

    it "reads version 2, Lab and XYZ, prefix and suffix" do
      lab = read(profile("Lab ", [32640, 32768, 32768], prefix: "TF", suffix: "C"))
      expect([lab.palette.name, lab.palette.swatches.map { |each| [each.name, each.colour.components] }, lab.words]).to eq ["Tarn & Fell", [["TF Slate C", [50.0, 0.0, 0.0]]], "A profile of named colours, ICC version 2, in Lab"]
      xyz = read(profile("XYZ ", [31595, 32768, 27030]))
      expect(xyz.palette.swatches[0].colour.in(:lab)).to match [be_within(0.01).of(100), be_within(0.02).of(0), be_within(0.02).of(0)]
      expect(notes(read(profile("Lab ", [32640, 32768, 32768, 1, 2, 3], device: 3)))).to match [/its 3 device values a colour are not for cyan/]
    end

    it "says what is damaged and where" do
      whole = profile("Lab ", [32640, 32768, 32768], count: 4_000_000_000)
      expect(notes(read(whole))).to match [/\Abyte \d+: it says that it has 4000000000 colours, there are 1\z/]
      {whole.sub("ncl2", "nope") => /there is no tag ncl2/, whole.sub("Lab ", "Luv ") => /in “Luv”: expected Lab or XYZ/, whole.sub("ncl2\0\0\0\0", "ncol\0\0\0\0") => /its colours are “ncol”: expected ncl2/}.each do |bytes, message|
        expect { read(bytes) }.to raise_error(Magpie::Error, message)
      end
      expect(read(whole.byteslice(0, whole.bytesize - 1) + "x").palette.swatches.size).to eq 1
      short = ->(tag, size) { whole.sub(/(?<=#{tag}.{4}).{4}/mn, [size].pack("N")) }
      expect { read(short.call("ncl2", 10)) }.to raise_error(Magpie::Error, /the tag of its colours is cut short/)
      [0, 4, 7, 9].each { |size| expect(read(short.call("desc", size)).palette.name).to eq "moor" }
    end

    it "makes names of ASCII, short enough and no two alike" do
      names = ["Dämmerung", "夜", "x" * 40, "x" * 40, "Moor", "Moor", "“late” – sky"]
      expect(described_class.names(palette(*names.map { |name| swatch(name, "#fff") }))).to eq ["Dammerung", "Colour", "x" * 31, "#{"x" * 29} 2", "Moor", "Moor 2", "\"late\" - sky"]
    end
  end

  describe Magpie::Formats::Cgats do
    table = <<~CGATS
      CGATS.17
      ORIGINATOR "Quillmere"
      DESCRIPTOR "Tarn & Fell"
      BEGIN_DATA_FORMAT
      SAMPLE_ID SAMPLE_NAME
      LAB_L LAB_A LAB_B CMYK_C CMYK_M CMYK_Y CMYK_K
      END_DATA_FORMAT
      BEGIN_DATA
      1 "Ember ""late"" sky" 61.0 45.1 35.1 0 66 61 4 # a remark
      2 Slate 50 0
      0 50 40 30 20
      3 Bad 150 0 0 0 0 0 0
      4 Short 1 2
      END_DATA
    CGATS

    it "reads fields in any order, sets over several lines, and inks beside Lab" do
      result = read(table)
      expect(result.palette.swatches.map { |each| [each.name, each.colour.components, each.inks] }).to eq [["Ember \"late\" sky", [61.0, 45.1, 35.1], [0.0, 66.0, 61.0, 4.0]], ["Slate", [50.0, 0.0, 0.0], [50.0, 40.0, 30.0, 20.0]]]
      expect([result.palette.name, result.words, notes(result)]).to eq ["Tarn & Fell", "A CGATS table in UTF-8; CMYK as per cent", ["line 12: lightness is 150: expected 0 to 100, left out", "line 14: the last set has 4 values for 9 fields: left out"]]
    end

    it "reads several tables, spectra in shares or per cent, and says which field is none" do
      waves = (400..700).step(20).to_a
      spectral = ->(prefix, value) { "DESCRIPTOR \"S#{value}\"\nBEGIN_DATA_FORMAT\nSAMPLE_NAME #{waves.map { |wave| "#{prefix}#{wave}" }.join(" ")}\nEND_DATA_FORMAT\nBEGIN_DATA\nGrey #{([value] * waves.size).join(" ")}\nEND_DATA\n" }
      result = read("CGATS.17\n#{spectral.call("SPECTRAL_NM_", 0.5)}#{spectral.call("NM_", 50)}BEGIN_DATA_FORMAT\nSAMPLE_ID TEMPERATURE\nEND_DATA_FORMAT\nBEGIN_DATA\n1 20\nEND_DATA\n")
      expect(result.palette.groups.map { |group| [group.name, group.swatches.map { |each| [each.name, each.colour.components[0].round(2), each.spectrum.step, each.spectrum.values.first] }] }).to eq [["S0.5", [["Grey", 76.07, 20, 0.5]]], ["S50", [["Grey", 76.07, 20, 0.5]]], ["Table 3", []]]
      expect(notes(result)).to eq ["Table 3: none of its fields is a colour: SAMPLE_ID, TEMPERATURE"]
    end

    it "takes identifiers for codes where they are no running numbers, places, and says which fields it leaves" do
      sets = ->(*ids) { read("CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID SAMPLE_NAME SAMPLE_LOC LAB_L LAB_A LAB_B DENSITY\nEND_DATA_FORMAT\nBEGIN_DATA\n#{ids.map { |id| "#{id} Ember A1 61 45 35 1.2\n" }.join}END_DATA\n") }
      expect(sets["TF-9", "TF-12"].palette.swatches.map { |each| [each.code, each.name, each.position] }).to eq [["TF-9", "Ember", "A1"], ["TF-12", "Ember", "A1"]]
      expect(sets[1, 2].palette.swatches.map(&:code)).to eq [nil, nil]
      expect(notes(sets[1, 2])).to eq ["moor: 1 field left out: DENSITY"]
    end

    it "reads RGB in per cent, and inks alone" do
      rgb = read("CTI1\nBEGIN_DATA_FORMAT\nSAMPLE_ID RGB_R RGB_G RGB_B\nEND_DATA_FORMAT\nBEGIN_DATA\n1 100 43.53 34.51\nEND_DATA\n")
      expect([rgb.palette.swatches[0].colour.hex, rgb.words]).to eq ["#FF6F58", "A CGATS table in UTF-8; RGB as per cent"]
      expect(read("X\nBEGIN_DATA_FORMAT\nSAMPLE_NAME CMYK_C CMYK_M CMYK_Y CMYK_K\nEND_DATA_FORMAT\nBEGIN_DATA\nEmber 0 66 61 4\nEND_DATA\n").palette.swatches[0].colour.components).to eq [0, 66, 61, 4]
    end

    # Little CMS reads such tables itself.
    let(:engine) do
      Module.new do
        extend FFI::Library

        ffi_lib ["lcms2", "liblcms2.so.2"]
        attach_function :cmsIT8LoadFromMem, [:pointer, :pointer, :uint32], :pointer
        attach_function :cmsIT8GetDataDbl, [:pointer, :string, :string], :double
        attach_function :cmsIT8GetProperty, [:pointer, :string], :string
        attach_function :cmsIT8GetData, [:pointer, :string, :string], :string
      end
    end

    it "writes what Little CMS reads" do
      spectrum = Magpie::Spectrum.new(400, 10, [0.25] * 31)
      text = described_class.write(palette(swatch("Ember late sky", "#E46F58", spectrum:), swatch("Moor #2", "#121720", spectrum:)), "model" => "lab,xyz,rgb,cmyk")
      loaded = engine.cmsIT8LoadFromMem(nil, FFI::MemoryPointer.from_string(text), text.bytesize)
      expect(loaded).not_to be_null
      expect(%w[LAB_L LAB_A LAB_B XYZ_Y RGB_R SPECTRAL_NM_550].map { |field| engine.cmsIT8GetDataDbl(loaded, "1", field).round(4) }).to eq [*hex("#E46F58").in(:lab).map { |value| value.round(4) }, (hex("#E46F58").in(:xyz_d50)[1] * 100).round(4), 228.0, 0.25]
      expect([engine.cmsIT8GetData(loaded, "2", "SAMPLE_NAME"), engine.cmsIT8GetProperty(loaded, "DESCRIPTOR")]).to eq ["Moor #2", "Tarn & Fell"]
    end
  end

  describe Magpie::Formats::Cxf do
    def file(objects, specifications = "", about: "")
      %(<?xml version="1.0"?><x:CxF xmlns:x="http://colorexchangeformat.com/CxF3-core"><x:FileInformation><x:Description>Tarn &amp; Fell</x:Description>#{about}</x:FileInformation><x:Resources><x:ObjectCollection>\n#{objects}</x:ObjectCollection><x:ColorSpecificationCollection>#{specifications}</x:ColorSpecificationCollection></x:Resources></x:CxF>)
    end

    def object(inside, name: "Slate", id: "c1") = %(<x:Object Name="#{name}" Id="#{id}" ObjectType="Target"><x:ColorValues>#{inside}</x:ColorValues></x:Object>\n)

    lab = ->(l, spec = "d50") { %(<x:ColorCIELab ColorSpecification="#{spec}"><x:L>#{l}</x:L><x:A>0</x:A><x:B>-6.5</x:B></x:ColorCIELab>) }
    specification = ->(id, light, observer, waves = "") { %(<x:ColorSpecification Id="#{id}"><x:TristimulusSpec><x:Illuminant>#{light}</x:Illuminant><x:Observer>#{observer}</x:Observer></x:TristimulusSpec><x:MeasurementSpec>#{waves}</x:MeasurementSpec></x:ColorSpecification>) }

    it "reads names, Lab, other models and device values, whatever the prefix" do
      result = read(file(object(lab.call(50), name: "Slate &amp; moor") + object("<x:ColorSRGB><x:R>228</x:R><x:G>111</x:G><x:B>88</x:B></x:ColorSRGB>", name: "Ember") +
        %(<x:Object Name="Ink"><x:DeviceColorValues><x:ColorCMYK><x:Cyan>0</x:Cyan><x:Magenta>66</x:Magenta><x:Yellow>61</x:Yellow><x:Black>4</x:Black></x:ColorCMYK></x:DeviceColorValues></x:Object>), specification.call("d50", "D50", "2_Degree")))
      expect(result.palette.swatches.map { |each| [each.name, each.colour.model, each.colour.hex] }).to match [["Slate & moor", :lab, anything], ["Ember", :srgb, "#E46F58"], ["Ink", :cmyk, anything]]
      expect([result.palette.name, notes(result)]).to eq ["Tarn & Fell", []]
    end

    it "keeps spectra, and makes the colour of them where Lab is for another light" do
      spectrum = %(<x:ReflectanceSpectrum ColorSpecification="s" StartWL="400">#{(["0.5"] * 31).join(" ")}</x:ReflectanceSpectrum>)
      specifications = specification.call("d65", "D65", "10_Degree") + specification.call("s", "D50", "2_Degree", '<x:WavelengthRange StartWL="400" Increment="10"/>')
      result = read(file(object(spectrum + lab.call(20, "d65")) + object(lab.call(20, "d65"), name: "Other"), specifications))
      expect(result.palette.swatches.map { |each| [each.name, each.colour.components[0].round(2), each.spectrum&.values&.size] }).to eq [["Slate", 76.07, 31], ["Other", 20.0, nil]]
      expect(notes(result)).to eq ["1 colour measured under D65, 10°, taken as it is: expected D50, 2°"]
    end

    it "ties tints to what they are tints of, wherever it stands" do
      tagged = object(lab.call(80), name: "Slate 40", id: "c2").sub("</x:Object>", '<x:TagCollection><x:Tag Name="Tint" Value="40"/><x:Tag Name="TintOf" Value="c1"/></x:TagCollection></x:Object>')
      expect(read(file(tagged + object(lab.call(50)))).palette.swatches.map(&:tint)).to eq [Magpie::Palette::Tint.new(40.0, [0, 1]), nil]
    end

    it "says which object is wrong, reads what a damaged file still says, and resolves nothing" do
      result = read(file(object(lab.call(150)) + object("<x:Other/>", name: "Odd") + object(lab.call("dark"), name: "Dark") + object(lab.call(50), name: "Good")))
      expect(result.palette.swatches.map(&:name)).to eq ["Good"]
      expect(notes(result)).to match [/\Aline 2: L is 150: expected 0 to 100, left out/, "line 3: no colour that I know, left out", "line 4: L is “dark”: expected a number, left out"]
      cut = read(file(object(lab.call(50)) * 3)[0..-260])
      expect([cut.palette.swatches.size, notes(cut).size]).to match [be > 0, be > 0]
      trap = "<?xml version='1.0'?><!DOCTYPE CxF [<!ENTITY a SYSTEM 'file:///etc/passwd'>]>#{file(object(lab.call(50), name: "&a;")).sub(/\A<\?xml.*?\?>/, "")}"
      expect { read(trap, as: "cxf") }.to raise_error(Magpie::Error, "moor.bin: it has a document type, which is never read")
      expect { read(file("<x:a>" * 80), as: "cxf") }.to raise_error(Magpie::Error, /nested deeper than 64/)
    end
  end
end
