module Magpie
  module Formats
    class Tokens < Format
      # What stands in our extension, as long as it agrees with what stands outside it: who
      # changed a token elsewhere changed what others read, and that counts.
      class Exactly
        AGREES = 0.5 # ΔE00
        MOST_INKS = Palette::Compound::MOST

        # @param ours [Hash] the extension of a token
        def initialize(ours) = @ours = ours

        # @param read [Color] from the token's value
        # @return [Color]
        def colour(read)
          exact = color(@ours["colour"]) or return read
          agree?(exact, read) ? exact : read
        end

        # @param read [Palette::Compound, nil] from the token's value; nil for a colour
        # @param middle [Color] of the value
        # @return [Palette::Compound, nil] with the form that we know; nil where it is a colour now
        def compound(read, middle)
          exact = known
          return (exact if exact && agree?(exact.colour, middle)) unless read
          return read unless exact&.gradient?
          return exact if alike?(exact, read)
          exact.with(inks: read.inks)
        end

        # @return [Array<String, nil>] aliases of what the inks of a pattern follow
        def follows = Array(@ours["follows"]).first(MOST_INKS).map { |name| name if name.is_a?(String) && name.match?(Aliases::ALIAS) }

        # @return [Spectrum, nil]
        def spectrum
          held = @ours["spectrum"]
          Spectrum.checked(held["start"], held["step"], held["values"]) if held.is_a?(Hash) && held["values"].is_a?(Array) && held.values_at("start", "step").all?(Numeric)
        rescue Error
          nil
        end

        # @return [Array<Float>, nil]
        def inks
          held = @ours["inks"]
          held if held.is_a?(Array) && held.size == 4 && held.all? { |ink| ink.is_a?(Numeric) && ink.between?(0, 100) }
        end

        # @return [[Float, String], nil] per cent, and the alias of what it is a tint of
        def tint
          held = @ours["tint"]
          [held["percent"], held["of"]] if held.is_a?(Hash) && held["percent"].is_a?(Numeric) && held["percent"].between?(0, 100) && held["of"].to_s.match?(Aliases::ALIAS)
        end

        def text(key, longest) = @ours[key].is_a?(String) ? Text.name(@ours[key], longest:) : nil

        private

        def color(held)
          Color.from_h(held) if held.is_a?(Hash)
        rescue Error, KeyError, TypeError, NoMethodError
          nil
        end

        def known
          held = @ours["compound"]
          return unless held.is_a?(Hash) && held["inks"].is_a?(Array) && held["inks"].size <= MOST_INKS
          Palette::Compound.from_h(held)
        rescue Error, KeyError, TypeError, NoMethodError
          nil
        end

        # In a space of the screen a colour outside it stands as the nearest inside.
        def agree?(exact, read) = [exact, Gamut.to_srgb(exact)].any? { |colour| Difference.de2000(colour, read) < AGREES } && (exact.alpha - read.alpha).abs < 0.005

        def alike?(exact, read)
          inks = exact.inks.values_at(*exact.order)
          inks.size == read.inks.size && inks.zip(read.inks).all? { |one, two| (one.offset - two.offset).abs < 1e-6 && [one.colour, one.shown].any? { |colour| agree?(colour, two.colour) } }
        end
      end
    end
  end
end
