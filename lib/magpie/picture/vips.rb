# libvips prints its warnings itself otherwise; what matters comes back as an error.
ENV["VIPS_WARNING"] ||= "0"
require "vips"

module Magpie
  class Picture
    # libvips, with its errors turned into ours.
    module Vips
      ::Vips.cache_set_max(0) # requests share nothing, so a cache only holds memory

      module_function

      # @param name [String] what is being worked on, for the message
      # @raise [Magpie::Error]
      def call(name)
        yield
      rescue ::Vips::Error => error
        raise Error, "#{name} is damaged: #{reason(error.message)}"
      end

      def reason(message)
        return "it ends too early, a part of the file is missing" if message.match?(/premature end|truncat|too short|unexpected end|read error|libspng read|out of data/i)
        words = message.lines.map(&:strip).reject(&:empty?).uniq.first.to_s
        ["", ::Vips::Error.name].include?(words) ? "it cannot be decoded" : words # libvips does not always say why
      end
    end
  end
end
