require "zip"

module Magpie
  module Formats
    # Several files in one, as ZIP (ISO/IEC 21320-1). What comes out is bounded before it
    # is made: how many, how large each and all together.
    module Archive
      SIGNATURE = "PK\x03\x04".b
      MOST = 200 # files
      LARGEST = 128 * 1024 * 1024 # bytes of all together
      ASIDE = %r{(\A|/)(\.|__MACOSX/|Thumbs\.db)} # what systems put beside files

      module_function

      def is?(bytes) = bytes.b.start_with?(SIGNATURE)

      # @return [Array<[String, String]>] names, with their folders, and bytes
      # @raise [Magpie::Error]
      def files(bytes, name)
        found, left = [], LARGEST
        Zip::File.open_buffer(StringIO.new(bytes)) do |zip|
          entries = zip.entries.select { |entry| entry.file? && !entry.name.b.match?(ASIDE) }
          raise Error, "#{name} holds #{entries.size} files: expected #{MOST} at most" if entries.size > MOST
          entries.each do |entry|
            content = entry.get_input_stream.read(left + 1).to_s
            raise Error, "#{name} comes to more than #{LARGEST / 1_048_576} MB" if (left -= content.bytesize) < 0
            found << [Text.name(entry.name.dup.force_encoding(Encoding::UTF_8)), content]
          end
        end
        raise Error, "#{name} holds no file" if found.empty?
        found
      rescue Zip::Error, Zlib::Error, EOFError, ArgumentError, NoMethodError => error
        raise Error, "#{name} is a damaged archive: #{error.message[0, 100]}"
      end
    end
  end
end
