require "zlib"

module Magpie
  class Artwork
    # SVG as gzip (SVG 2, 1.3: svgz). A few bytes may stand for many.
    module Compressed
      SIGNATURE = "\x1F\x8B".b

      module_function

      def is?(bytes) = bytes.byteslice(0, 2).b == SIGNATURE

      # @param most [Integer] bytes that may come out
      # @return [String]
      # @raise [Magpie::Error]
      def read(bytes, name, most)
        Zlib::GzipReader.wrap(StringIO.new(bytes)) do |reader|
          plain = reader.read(most + 1).to_s
          raise Error, "#{name} is compressed and comes to more than #{most / 1_048_576} MB, which is the limit" if plain.bytesize > most
          plain
        end
      rescue Zlib::Error => error
        raise Error, "#{name} is compressed and damaged: #{error.message}"
      end
    end
  end
end
