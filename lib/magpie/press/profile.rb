module Magpie
  module Press
    # Whether bytes are the ICC profile of a press with four inks (ICC.1:2022, 7.2), and what
    # it says of itself.
    #
    # @!attribute description [String] as it calls itself
    # @!attribute intents [Array<Symbol>] that it has tables for, both ways
    # @!attribute limit [Float] the most ink that it lays on one place, in per cent
    Profile = Struct.new(:description, :intents, :limit, keyword_init: true)

    class Profile
      HEADER = 132
      MOST = 32 * 1024 * 1024 # bytes
      # What profiles of other classes and colour spaces are for.
      CLASSES = {"mntr" => "a screen", "scnr" => "a camera or scanner", "link" => "one device to another", "spac" => "a colour space", "abst" => "an effect", "nmcl" => "named colours"}.freeze

      class << self
        # @param bytes [String]
        # @param name [String] of the file
        # @return [Profile]
        # @raise [Magpie::Error] that names the file
        def of(bytes, name)
          check(bytes)
          LittleCms.open(bytes) do |profile|
            raise Error, "its tables cannot be read" if profile.null?
            intents = LittleCms::INTENTS.select { |_, number| [LittleCms::INPUT, LittleCms::OUTPUT].all? { |way| LittleCms.cmsIsIntentSupported(profile, number, way) == 1 } }.keys
            raise Error, "it has no tables between inks and colours, both ways" if intents.empty?
            new(description: description(profile), intents:, limit: LittleCms.cmsDetectTAC(profile).round(1))
          end
        rescue Error => error
          raise error.in(name)
        end

        private

        def check(bytes)
          raise Error, "it is no ICC profile" unless bytes.bytesize >= HEADER && bytes.byteslice(36, 4) == "acsp"
          raise Error, "it is larger than #{MOST / 1024 / 1024} MB" if bytes.bytesize > MOST
          size, kind, space = bytes.unpack1("N"), *[12, 16].map { |at| bytes.byteslice(at, 4).force_encoding(Encoding::UTF_8).scrub.strip }
          raise Error, "it is cut short: it says that it has #{size} bytes, there are #{bytes.bytesize}" if size > bytes.bytesize
          raise Error, "it is a profile of #{CLASSES.fetch(kind) { "the class “#{kind}”" }}: expected one of a press" unless kind == "prtr"
          raise Error, "it is a profile for #{space}: expected four inks, CMYK" unless space == "CMYK"
        end

        def description(profile)
          language, country = %w[en US].map { |code| FFI::MemoryPointer.from_string(code) }
          size = LittleCms.cmsGetProfileInfo(profile, LittleCms::DESCRIPTION, language, country, nil, 0)
          return "" if size.zero?
          text = FFI::MemoryPointer.new(:char, size)
          LittleCms.cmsGetProfileInfo(profile, LittleCms::DESCRIPTION, language, country, text, size)
          Text.name(text.read_bytes(size).force_encoding(Encoding::UTF_32LE).encode(Encoding::UTF_8, invalid: :replace, undef: :replace).delete("\0"))
        end
      end
    end
  end
end
