module Magpie
  module Formats
    class Png < Format
      # Reads the palettes of one PNG. Places in notes are bytes.
      class Reader
        INDEXED = 3 # colour type

        # @param source [Source]
        def initialize(source)
          @source = source
          @builder = Builder.new(source)
        end

        # @return [Result]
        def result
          damaged = Chunks.new(@source.bytes).each { |type, data, at, whole| chunk(type, data, at, whole) }
          @builder.note("byte #{damaged}", "the file ends in the middle of a chunk; what stands before it was read") if damaged
          own_palette
          @builder.result(words: "A PNG with #{[("its colour table" if @table), ("suggested palettes" if @suggested)].compact.join(" and ")}")
        end

        private

        def chunk(type, data, at, whole)
          return unless %w[IHDR PLTE tRNS sPLT].include?(type)
          @builder.note("byte #{at}", "the checksum of #{type} is wrong; it is read all the same") unless whole.call
          case type
          when "IHDR" then @type = data.getbyte(9)
          when "PLTE" then @table = [data, at]
          when "tRNS" then @opacities = data.bytes if @type == INDEXED
          else @builder.trying("byte #{at}") { suggested(data, at) }
          end
        end

        # Name, depth, then red, green, blue, opacity and how often it is used.
        def suggested(data, at)
          name, rest = data.split("\0".b, 2)
          raise Error, "an sPLT without an end to its name" unless rest && name.bytesize.between?(1, 79)
          depth, entries = rest.getbyte(0), rest.byteslice(1..)
          raise Error, "an sPLT of #{depth.inspect} bits: expected 8 or 16" unless [8, 16].include?(depth)
          size, pattern, most = (depth == 8) ? [6, "CCCCn", 255.0] : [10, "n5", 65535.0]
          @builder.note("byte #{at}", "an sPLT of #{entries.bytesize} bytes is no multiple of #{size}: its last entry is left out") unless (entries.bytesize % size).zero?
          @suggested = true
          entries(@builder.begin_group(at, name: name.force_encoding(Encoding::ISO_8859_1).encode(Encoding::UTF_8)), entries, size, pattern, most)
        end

        def entries(group, entries, size, pattern, most)
          (0...(entries.bytesize / size)).each do |index|
            red, green, blue, alpha, = entries.byteslice(index * size, size).unpack(pattern)
            @builder.add(group, name: "", colour: Color.new(:srgb, [red / most, green / most, blue / most], alpha / most))
          end
        end

        # After all the others, since its opacities come behind it.
        def own_palette
          data, at = @table
          return unless data
          @builder.note("byte #{at}", "a colour table of #{data.bytesize} bytes is no multiple of 3: its last entry is left out") unless (data.bytesize % 3).zero?
          group = @builder.begin_group(:table, name: @source.stem)
          data.byteslice(0, 256 * 3).unpack("C*").each_slice(3).with_index do |(red, green, blue), index|
            @builder.add(group, name: "", colour: Color.srgb8(red, green, blue, (@opacities&.[](index) || 255) / 255.0)) if blue
          end
        end
      end
    end
  end
end
