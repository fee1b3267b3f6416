require "zlib"

module Magpie
  module Formats
    class Png < Format
      # The chunks of a PNG, one after the other, none looked into.
      class Chunks
        include Enumerable

        MOST = 100_000
        LENGTH = "N"

        # @param type [String] of four letters
        # @return [String]
        def self.write(type, data) = [data.bytesize].pack(LENGTH) + type.b + data.b + [Zlib.crc32(type.b + data.b)].pack(LENGTH)

        # @param bytes [String]
        def initialize(bytes) = @bytes = bytes

        # @yieldparam type [String]
        # @yieldparam data [String]
        # @yieldparam at [Integer] byte where it begins
        # @yieldparam whole [Boolean] does its checksum agree?
        # @return [Integer, nil] the byte at which the file is damaged
        def each
          return enum_for unless block_given?
          at = SIGNATURE.bytesize
          MOST.times do
            break if at + 12 > @bytes.bytesize
            length = @bytes.byteslice(at, 4).unpack1(LENGTH)
            break if at + 12 + length > @bytes.bytesize
            type = @bytes.byteslice(at + 4, 4)
            data = @bytes.byteslice(at + 8, length)
            yield type, data, at, -> { Zlib.crc32(type + data) == @bytes.byteslice(at + 8 + length, 4).unpack1(LENGTH) }
            at += 12 + length
            return nil if type == "IEND"
          end
          at
        end
      end
    end
  end
end
