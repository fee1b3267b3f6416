module Magpie
  module Formats
    # Numbers as they stand in files: with a point or a comma, with a unit behind them.
    module Numbers
      FORM = /\A\s*([+\-−]?)((?:\d[\d '’\u00A0\u202F]*)?(?:[.,]\d*)?)(?:[eE]([+-]?\d{1,3}))?\s*(%|°|deg|nm)?\s*\z/

      USUAL = /\A-?\d{1,15}(\.\d{1,15})?\z/

      module_function

      # @param text [String, nil]
      # @return [Float, nil] nil where it is none; a thousands mark is none
      def read(text)
        return text.to_f if text.is_a?(String) && text.match?(USUAL)
        match = FORM.match(text.to_s) or return
        digits = match[2].delete(" '’\u00A0\u202F").tr(",", ".")
        return unless digits.match?(/\A(\d+\.?\d*|\.\d+)\z/) && digits.size <= 40
        number = "#{"0" if digits.start_with?(".")}#{digits.delete_suffix(".")}".to_f * 10.0**match[3].to_i
        return unless number.finite?
        (match[1] == "-" || match[1] == "−") ? -number : number
      end

      # @return [Boolean] does it say that it is per cent?
      def percent?(text) = text.to_s.rstrip.end_with?("%")

      # As Notation::Forms.short, at a third of the time.
      # @param number [Numeric] rounded
      def short(number, decimals)
        whole = number.to_i
        return whole.to_s if whole == number
        text = number.to_s
        text.include?("e") ? Notation::Forms.short(number, decimals) : text
      end

      # As it is written: no more digits than there are.
      # @param decimals [Integer]
      def write(number, decimals, comma: false)
        text = short(number.round(decimals), decimals)
        comma ? text.tr(".", ",") : text
      end
    end
  end
end
