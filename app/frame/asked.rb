module Frame
  # Numbers that a request asks for.
  module Asked
    module_function

    # @param given [Object] parameters of a request, however deep
    # @raise [Magpie::Error] where something is no text that can be kept
    def check(given)
      case given
      when Hash then given[:tempfile] ? nil : given.each { |name, value| check(name) || check(value) }
      when Array then given.each { |each| check(each) }
      when String then raise Magpie::Error, "Something in this address or form is no text: expected UTF-8" unless given.dup.force_encoding(Encoding::UTF_8).valid_encoding? && !given.include?("\0")
      end
      nil
    end

    # @param params [Hash] of the request
    # @param usual [Numeric] where it asks for none
    # @param range [Range] limits
    # @return [Float]
    def number(params, name, usual, range)
      (Float(params[name].to_s, exception: false) || usual.to_f).clamp(range.begin.to_f, range.end.to_f)
    end
  end
end
