# libvips prints its warnings itself otherwise; what matters comes back as an error.
ENV["VIPS_WARNING"] ||= "0"
require "tmpdir"
require "vips"

module Magpie
  class Picture
    # libvips, with its errors turned into ours.
    module Vips
      MOST_IN_MEMORY = 256 * 1024 * 1024 # bytes, as if each number took two

      ::Vips.cache_set_max(0) # requests share nothing, so a cache only holds memory

      module_function

      # @param name [String] what is being worked on, for the message
      # @raise [Magpie::Error]
      def call(name)
        yield
      rescue ::Vips::Error => error
        raise Error, "#{name} is damaged: #{reason(error.message)}"
      end

      # All pixels decoded: in memory, or in a file without a name where they are many.
      # @param image [Vips::Image] from top to bottom
      # @return [Vips::Image] that can be asked for any piece
      # @raise [Vips::Error]
      def held(image)
        ::Vips.vips_error_clear
        pixels = (image.width * image.height * image.bands * 2 > MOST_IN_MEMORY) ? in_file(image) : in_memory(image)
        # Where several threads decode, the error of one is at times written down and the
        # rest goes on with black.
        raise ::Vips::Error unless ::Vips.vips_error_buffer.empty?
        pixels
      end

      def in_memory(image)
        copy = ::Vips.vips_image_copy_memory(image)
        raise ::Vips::Error if copy.null? # ruby-vips itself would go on with it
        ::Vips::Image.new(copy)
      end

      def in_file(image)
        path = ::File.join(Dir.tmpdir, "magpie-#{Process.pid}-#{image.object_id}.v")
        image.write_to_file(path)
        ::Vips::Image.new_from_file(path).tap(&:width)
      ensure
        ::File.delete(path) if ::File.exist?(path)
      end

      # @param message [String] which may quote the file, in whatever encoding
      def reason(message)
        message = message.scrub
        return "it ends too early, a part of the file is missing" if message.match?(/premature end|truncat|too short|unexpected end|read error|libspng read|out of data/i)
        words = message.lines.map(&:strip).reject(&:empty?).uniq.first.to_s
        ["", ::Vips::Error.name].include?(words) ? "it cannot be decoded" : words # libvips does not always say why
      end
    end
  end
end
