module Bench
  # Drawings of as many parts as are wanted: a field of small shapes in nested groups, in
  # two dozen colours, as a map or a pattern has them.
  module Drawing
    COLOURS = Array.new(24) { |n| format("#%02X%02X%02X", 35 + n * 9, 31 + (n * 37) % 200, 85 + (n * 61) % 160) }.freeze

    module_function

    # @return [String] SVG
    def of(parts, across: (parts**0.5).ceil)
      rows = parts.times.each_slice(across).map do |row|
        "<g>#{row.each_slice(10).map { |ten| "<g>#{ten.map { |n| shape(n, across) }.join}</g>" }.join}</g>"
      end
      %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 #{across * 10} #{across * 10}" width="#{across * 10}" height="#{across * 10}">#{rows.join}</svg>)
    end

    def shape(number, across)
      x, y, fill = (number % across) * 10, number / across * 10, COLOURS[number % COLOURS.size]
      return %(<circle cx="#{x + 5}" cy="#{y + 5}" r="4.5" fill="#{fill}" stroke="#121720" stroke-width=".5"/>) if number % 3 == 0
      %(<path d="M#{x} #{y + 9}C#{x + 2} #{y} #{x + 7} #{y} #{x + 9.5} #{y + 9.5}L#{x + 5} #{y + 6}Z" fill="#{fill}"/>)
    end
  end
end
