require "numo/narray"

module Magpie
  # Many colours as a screen shows them, brought into its gamut: those that lie inside, as
  # nearly all do, in columns.
  module Screen
    WAYS = {
      srgb: ->(columns) { columns }, lab: ->(columns) { Bulk.linear_to_srgb(Bulk.lab_to_linear(columns)) }, oklab: ->(columns) { Bulk.linear_to_srgb(Bulk.oklab_to_linear(columns)) }
    }.freeze

    module_function

    # @param colors [Array<Color>]
    # @return [Array<Array<Float>>] red, green and blue of each, 0..1
    def srgb(colors)
      found = Array.new(colors.size)
      colors.each_index.group_by { |index| colors[index].model }.each do |model, indexes|
        way = WAYS[model] or next
        rows = way.call(Bulk.columns(indexes.map { |index| colors[index].components })).map(&:to_a).transpose
        rows.zip(indexes) { |row, index| found[index] = clipped(row) if row.all? { |value| value.between?(-Gamut::TOLERANCE, 1 + Gamut::TOLERANCE) } }
      end
      found.each_index { |index| found[index] ||= Gamut.to_srgb(colors[index]).components }
    end

    # @return [Array<Array<Integer>>] red, green, blue and opacity of each, 0..255
    def bytes(colors) = srgb(colors).zip(colors).map { |row, color| [*row, color.alpha].map { |value| (value * 255).round } }

    # @return [Array<String>] as Color#hex
    def hexes(colors) = bytes(colors).zip(colors).map { |row, color| (color.alpha < 1) ? format("#%02X%02X%02X%02X", *row) : format("#%02X%02X%02X", *row.first(3)) }

    def clipped(row) = row.map { |value| value.clamp(0.0, 1.0) }
  end
end
