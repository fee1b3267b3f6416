module Magpie
  module Formats
    # CGATS text tables, ISO 28178: keywords, a data format of named fields, sets of data.
    # A file may hold several tables. Spectra are kept, and make the colour where nothing
    # else does.
    class Cgats < Format
      MODELS = {"lab" => "Lab", "xyz" => "XYZ", "rgb" => "RGB", "cmyk" => "CMYK"}.freeze

      declare key: "cgats", title: "CGATS table", in_words: "a CGATS table", endings: [".cgats.txt", ".cgats", ".ti3"], media_type: "text/plain", rank: 50, brief: "no groups",
        options: [Option.new("model", "Models", MODELS, "lab", true)]

      SPECTRAL = /\A(?:SPECTRAL_|SPECTRUM_)?(?:NM_?|SPEC_?|SPECTRAL_|R_?)(\d{3,4})(?:\.0+)?(?:NM)?\z/i

      %w[Blocks Reader Writer].each { |name| autoload name.to_sym, "magpie/formats/cgats/#{name.downcase}" }

      class << self
        # @param source [Source]
        def fits(source)
          return 0 unless source.text?
          source.text[0, 60_000].match?(/^\s*BEGIN_DATA_FORMAT\b/) ? 95 : 0
        end

        # @return [Result]
        def read(source) = Reader.new(source).result

        def write(palette, options = {}) = Writer.new(palette, options).text

        def carries(options = {}) = %i[palette_name names] + (models(options).include?("cmyk") ? [:inks] : []) + [:spectra]

        def models(options) = options.fetch("model", "lab").split(",")

        def colour(colour, options)
          models = models(options)
          return Color.new(:lab, Rounded.lab(colour)) if models.include?("lab")
          return Color.new(:xyz_d50, Rounded.xyz(colour).map { |value| value / 100 }) if models.include?("xyz")
          return Notation.hex(colour.with(alpha: 1).hex) if models.include?("rgb")
          Color.new(:cmyk, colour.in(:cmyk).map { |ink| ink.round(2) })
        end

        # Spectra go where every swatch has one, all of the same wavelengths.
        def carried(palette, options)
          spectra = spectra?(palette)
          super.tap { |carried| carried.swatches.each { |swatch| swatch.spectrum = spectra ? rounded(swatch.spectrum) : nil } }
        end

        # Where they are the colour they are nothing beside it; else they are written for every
        # colour, as the press makes them where nobody says.
        def inks(swatch, chosen) = (models(chosen) == ["cmyk"]) ? nil : Rounded.inks(swatch)

        def spectra?(palette)
          spectra = palette.swatches.map(&:spectrum)
          spectra.any? && spectra.all? && spectra.uniq { |spectrum| [spectrum.start, spectrum.step, spectrum.values.size] }.size == 1 && [spectra[0].start, spectra[0].step].all? { |number| number == number.to_i }
        end

        def rounded(spectrum) = Spectrum.new(spectrum.start, spectrum.step, spectrum.values.map { |value| value.round(5) })

        # Between quotation marks, of which the format has no other way out.
        def name(name, _options) = name.tr('"', "'")
      end
    end
  end
end
