module Bench
  # Pages of the demo, and what Mix asks for.
  module Pages
    module_function

    def rows
      Bench.analyze
      %w[gather palettes dress match deliver].each do |place|
        taken = Bench.median(40) { Bench.page("/projects/#{Bench.demo.id}/#{place}") }
        Bench.row "Page #{place}, demo data", taken, "< 100 ms", Bench.times_health(taken)
      end
    end

    def mix
      numbers = Bench.median(200) { Bench.page("/colour.json?notation=oklch(0.68+0.14+34)") }
      Bench.row "Numbers of a colour while dragging", numbers, "< 50 ms"
      slice = Bench.median(20) { Bench.page("/slice.png?plane=chroma_lightness&held=#{rand(360)}") }
      Bench.row "A slice of the colour space", slice, "< 50 ms"
      Frame::Choices::PANELS.keys.without("reach").each do |panel|
        path = "/projects/#{Bench.demo.id}/mix/panels/#{panel}?notation=%23E2705A&before=%23231F55"
        Bench.row "Mix, panel #{panel}", Bench.median(30) { Bench.page(path) }, "< 50 ms"
      end
    end
  end
end
