# Spectra that have one colour in daylight and part in other light.
module Metamers
  # What D50's weights see nothing of is laid on a spectrum.
  # @param amount [Float] how much of it at most
  def planted(spectrum, amount)
    bands = spectrum.values.each_index.map { |step| Math.cos(step * 0.55) }
    unseen = Magpie::Light::D50.weights.each_with_object([]) { |weight, basis| basis << basis.reduce(weight) { |left, axis| less(left, axis) } }.reduce(bands) { |left, axis| less(left, axis) }
    most = unseen.map(&:abs).max
    Magpie::Spectrum.checked(380, 10, spectrum.values.zip(unseen).map { |value, change| value + amount * change / most })
  end

  private

  def less(vector, axis)
    share = vector.zip(axis).sum { |a, b| a * b } / axis.sum { |value| value * value }
    vector.zip(axis).map { |a, b| a - share * b }
  end
end
