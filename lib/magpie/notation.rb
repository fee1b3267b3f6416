require "strscan"

module Magpie
  # Reads and writes colour notations: the grammar of CSS Color Module Level 4 and
  # 5 (hex, names, functions with commas or spaces, %, none, angles) and what people
  # type: "255 251 161", "r255 g251 b161", "hsl 91 24 55", "cmyk 0 66 61 4".
  module Notation
    autoload :Forms, "magpie/notation/forms"
    autoload :Arguments, "magpie/notation/arguments"
    autoload :Exact, "magpie/notation/exact"

    LONGEST = 200
    HEX = /\A#?(\h{3}|\h{4}|\h{6}|\h{8})\z/
    CALL = /\A([a-z][a-z0-9-]*)\s*\(\s*(.*?)\s*\)\z/
    TYPED = /\A([a-z][a-z-]*)[\s:]+(.+)\z/
    LETTERED = /\Ar(?:ed)?[\s:=]*(\S+?)[,;\s]+g(?:reen)?[\s:=]*(\S+?)[,;\s]+b(?:lue)?[\s:=]*(\S+)\z/
    BARE = /\A[-+.\d]/
    EXPECTED = "expected a colour such as #E2705A, rgb(226 112 90), hsl 10 70 62 or a CSS name"

    module_function

    # @param text [String] one colour in any notation
    # @param lenient [Boolean] clamps what lies outside a channel's range, as CSS
    #   does for files, instead of refusing it as a person's slip
    # @return [Color] in the model that was written
    # @raise [Magpie::Error] naming the part that is wrong and what was expected
    def parse(text, lenient: false)
      text = clean(text)
      hex(text) || named(text) || function(text, lenient) || lettered(text, lenient) || typed(text, lenient) ||
        raise(Error, "“#{excerpt(text)}” is not a colour that I know: #{EXPECTED}")
    end

    # @return [Color, nil] nil instead of an error
    def try(text, lenient: true)
      parse(text, lenient:)
    rescue Error
      nil
    end

    # How a colour is written in a model, ready to be pasted anywhere CSS is read
    # (hsb is our own, read back by #parse).
    # @param model [Symbol] :hex, :rgb, :hsb, :hsl, :lab, :lch, :oklab, :oklch
    def write(color, model) = Forms.write(color, model)

    # The numbers alone, as they stand in a table: "226 112 90", "10° 60% 89%".
    def numbers(color, model) = Forms.numbers(color, model)

    def clean(text)
      raise Error, "a colour is at most #{LONGEST} characters long" if text.to_s.length > LONGEST
      text = text.to_s.scrub("?").strip.downcase.delete_suffix(";").strip
      raise Error, "nothing was given: #{EXPECTED}" if text.empty?
      text
    end

    def excerpt(text) = (text.length > 40) ? "#{text[0, 39]}…" : text

    def hex(text)
      digits = text[HEX, 1]
      unless digits
        raise Error, "“#{excerpt(text)}” is not a hex colour: expected # and 3, 4, 6 or 8 digits of 0–9 and A–F" if text.start_with?("#")
        return
      end
      digits = digits.gsub(/./) { |digit| digit * 2 } if digits.length < 6
      red, green, blue, alpha = digits.scan(/../).map(&:hex)
      Color.srgb8(red, green, blue, (alpha || 255) / 255.0)
    end

    def named(text)
      return Color.new(:srgb, [0, 0, 0], 0) if text == "transparent"
      @names ||= CSS_NAMES.transform_keys { |name| name.delete(" ") }
      rgb = @names[text.delete(" ")] if text.match?(/\A[a-z ]+\z/)
      Color.from_rgb24(rgb) if rgb
    end

    def function(text, lenient)
      match = CALL.match(text) or return
      form = Forms.find(match[1]) or raise Error, "there is no colour notation called #{excerpt(match[1])}(): expected one of #{Forms.names}"
      form.read(match[2], lenient)
    end

    def lettered(text, lenient)
      match = LETTERED.match(text) or return
      Forms.find("rgb").read(match.captures.join(" "), lenient)
    end

    # "hsl 91 24 55", and three bare numbers as red, green and blue.
    def typed(text, lenient)
      return Forms.find("rgb").read(text, lenient) if text.match?(BARE)
      match = TYPED.match(text) or return
      Forms.find(match[1])&.read(match[2], lenient)
    end
  end
end
