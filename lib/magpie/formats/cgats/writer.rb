module Magpie
  module Formats
    class Cgats < Format
      # Writes one palette as one table.
      class Writer
        FIELDS = {"lab" => %w[LAB_L LAB_A LAB_B], "xyz" => %w[XYZ_X XYZ_Y XYZ_Z], "rgb" => %w[RGB_R RGB_G RGB_B], "cmyk" => %w[CMYK_C CMYK_M CMYK_Y CMYK_K]}.freeze

        # @param palette [Palette]
        # @param options [Hash]
        def initialize(palette, options)
          @palette = palette
          @models = FIELDS.keys & Cgats.models(options)
          @spectrum = palette.swatches.first.spectrum if Cgats.spectra?(palette)
        end

        # @return [String]
        def text
          fields = ["SAMPLE_ID", "SAMPLE_NAME", *@models.flat_map { |model| FIELDS[model] }, *waves]
          <<~CGATS
            CGATS.17
            ORIGINATOR "Yellow Magpie"
            DESCRIPTOR #{quoted(@palette.name.to_s)}
            NUMBER_OF_FIELDS #{fields.size}
            BEGIN_DATA_FORMAT
            #{fields.join(" ")}
            END_DATA_FORMAT
            NUMBER_OF_SETS #{@palette.swatches.size}
            BEGIN_DATA
            #{@palette.swatches.each_with_index.map { |swatch, index| row(swatch, index + 1) }.join("\n")}
            END_DATA
          CGATS
        end

        private

        def waves = @spectrum ? @spectrum.values.each_index.map { |index| "SPECTRAL_NM_#{(@spectrum.start + index * @spectrum.step).to_i}" } : []

        def row(swatch, number)
          numbers = @models.flat_map { |model| numbers(swatch, model) }
          [number, quoted(swatch.name), *numbers, *(@spectrum ? Cgats.rounded(swatch.spectrum).values.map { |value| Numbers.write(value, 5) } : [])].join(" ")
        end

        def numbers(swatch, model)
          case model
          when "lab" then Rounded.lab(swatch.colour).map { |value| Numbers.write(value, 4) }
          when "xyz" then Rounded.xyz(swatch.colour).map { |value| Numbers.write(value, 4) }
          when "rgb" then swatch.colour.with(alpha: 1).hex.scan(/\h\h/).map(&:hex)
          else Rounded.inks(swatch).map { |ink| Numbers.write(ink, 2) }
          end
        end

        def quoted(text) = "\"#{Cgats.name(text, {})}\""
      end
    end
  end
end
