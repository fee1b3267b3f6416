module Frame
  # Numbers that a request asks for.
  module Asked
    module_function

    # @param params [Hash] of the request
    # @param usual [Numeric] where it asks for none
    # @param range [Range] limits
    # @return [Float]
    def number(params, name, usual, range)
      (Float(params[name].to_s, exception: false) || usual.to_f).clamp(range.begin.to_f, range.end.to_f)
    end
  end
end
