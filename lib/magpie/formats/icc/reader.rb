module Magpie
  module Formats
    class Icc < Format
      # Reads one profile. Places in notes are bytes.
      class Reader
        HEADER = 128
        ENTRIES = 84 # the byte of the tag where they begin
        MOST_TAGS = 200
        MOST_DEVICE = 15

        # @param source [Source]
        def initialize(source)
          @bytes = source.bytes
          @builder = Builder.new(source)
        end

        # @return [Result]
        # @raise [Magpie::Error]
        def result
          @pcs = @bytes.byteslice(20, 4).to_s.strip
          raise Error, "its colours are in “#{shown(@pcs)}”: expected Lab or XYZ" unless %w[Lab XYZ].include?(@pcs)
          at, size = tags["ncl2"]
          raise Error, "it is a profile of named colours without any: there is no tag ncl2" unless at
          @name = text("desc")
          colours(@bytes.byteslice(at, size), at)
          @builder.result(words: "A profile of named colours, ICC version #{@bytes.getbyte(8)}, in #{@pcs}", name: @name, licence: text("cprt"))
        end

        private

        # {signature => [byte, bytes]}
        def tags
          @tags ||= begin
            count = @bytes.byteslice(HEADER, 4).to_s.unpack1("N").to_i
            raise Error, "byte #{HEADER}: it has #{count} tags: expected #{MOST_TAGS} at most" if count > MOST_TAGS
            @bytes.byteslice(HEADER + 4, count * 12).to_s.unpack("a4NN" * count).each_slice(3).filter_map { |signature, at, size| [signature, [at, size]] if at && size && at + size <= @bytes.bytesize }.to_h
          end
        end

        def colours(tag, at)
          raise Error, "byte #{at}: the tag of its colours is cut short" if tag.bytesize < ENTRIES
          type, count, device, prefix, suffix = tag.unpack("a4x8NNa32a32")
          raise Error, "byte #{at}: its colours are “#{shown(type)}”: expected ncl2" unless type == "ncl2"
          raise Error, "byte #{at}: it says that each has #{device} device values: expected #{MOST_DEVICE} at most" if device > MOST_DEVICE
          size = 38 + 2 * device
          there = (tag.bytesize - ENTRIES) / size
          @builder.note("byte #{at}", "it says that it has #{count} colours, there are #{there}") if there < count
          @inks = device == 4 && @bytes.byteslice(16, 4) == "CMYK"
          @builder.note("byte #{at}", "its #{Text.count(device, "device value")} a colour are not for cyan, magenta, yellow and black: left out") if device > 0 && !@inks
          prefix, suffix = readable(prefix), readable(suffix)
          [there, count].min.times { |index| entry(tag, ENTRIES + index * size, at, device, prefix, suffix) }
        end

        def entry(tag, from, at, device, prefix, suffix)
          root, *numbers = tag.byteslice(from, 38 + 2 * device).unpack("a32n#{3 + device}")
          name = [prefix, readable(root), suffix].reject(&:empty?).join(" ")
          @builder.trying("byte #{at + from}", name) { @builder.add(@name.to_s.empty? ? @builder.source.stem : @name, name:, colour: colour(numbers.first(3)), inks: (numbers.last(4).map { |ink| Encoding.ink(ink) } if @inks)) }
        end

        def colour(numbers)
          return Color.new(:xyz_d50, Encoding.xyz(numbers)) if @pcs == "XYZ"
          l, *rest = Encoding.lab(numbers)
          Color.new(:lab, [[l, 100.0].min, *rest])
        end

        def shown(bytes) = bytes.dup.force_encoding(::Encoding::UTF_8).scrub("?")

        # Up to the zero; ASCII, or what people make of it.
        def readable(bytes)
          text = bytes.split("\0".b, 2).first.to_s.dup.force_encoding(::Encoding::UTF_8)
          text = text.force_encoding(::Encoding::ISO_8859_1).encode(::Encoding::UTF_8) unless text.valid_encoding?
          Text.name(text)
        end

        # Of a description, as versions 2 and 4 write it.
        def text(tag)
          at, size = tags[tag]
          return unless at
          data = @bytes.byteslice(at, size)
          case data.byteslice(0, 4)
          when "desc" then readable(data.byteslice(12, [data.byteslice(8, 4).to_s.unpack1("N").to_i, 2000].min).to_s)
          when "text" then readable(data.byteslice(8, 4000).to_s)
          when "mluc" then localised(data)
          end
        end

        # The English one, or the first.
        def localised(data)
          count = data.byteslice(8, 4).to_s.unpack1("N").to_i.clamp(0, 100)
          records = (0...count).map { |index| data.byteslice(16 + index * 12, 12).to_s.unpack("a2a2NN") }
          _, _, length, offset = records.find { |language, *| language == "en" } || records.first
          return unless length && offset && offset + length <= data.bytesize
          Text.name(data.byteslice(offset, [length, 8000].min).force_encoding(::Encoding::UTF_16BE).encode(::Encoding::UTF_8, invalid: :replace, undef: :replace), longest: 2000)
        end
      end
    end
  end
end
