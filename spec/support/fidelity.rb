require "vips"

# How an artwork looks wherever it is shown or goes: on the page, as a linked and a flat SVG in
# a browser and in librsvg, and as the picture that colours are read from.
module Fidelity
  # @param artwork [Artwork] that stands on the stage
  # @return [Hash{String => Vips::Image}] of the same size, opaque
  def looks(artwork)
    box = box_of("#stage")
    width, height = box.values_at("width", "height").map(&:floor)
    dressing = Dressing.new(artwork)
    drawings = {"flat" => dressing.flat, "linked" => dressing.linked}
    page_shot = shot({x: box["x"].ceil, y: box["y"].ceil, width:, height:})
    rendered = drawings.transform_values { |svg| Vips::Image.svgload_buffer(svg, scale: box["width"] / artwork.width).then { |image| on_white(image) } }
    in_browser = on_paper { |paper| drawings.transform_values { |svg| browser_shot(paper, svg, box["width"], box["height"]) } }
    {"page" => page_shot, **rendered.transform_keys { |name| "#{name} by librsvg" }, **in_browser.transform_keys { |name| "#{name} by Chromium" }}.transform_values { |image| image.crop(0, 0, [width, image.width].min, [height, image.height].min) }
  end

  # The same in its own size, where nothing is brought to another: without the page.
  def looks_in_size(artwork)
    dressing = Dressing.new(artwork)
    drawings = {"flat" => dressing.flat, "linked" => dressing.linked}
    on_paper do |paper|
      drawings.flat_map { |name, svg|
        [["#{name} by Chromium", browser_shot(paper, svg, artwork.width, artwork.height)],
          ["#{name} by librsvg", on_white(Vips::Image.svgload_buffer(svg))]]
      }.to_h
    end
  end

  # Mean ΔE00 of each look beside the first.
  # @return [Hash{String => Float}]
  def differences(looks)
    first, *others = looks.transform_values { |image| image.colourspace(:lab).copy_memory }.to_a
    others.to_h { |name, image| [name, between(first[1], image).round(3)] }
  end

  def between(one, two)
    width, height = [one, two].map { |image| [image.width, image.height] }.transpose.map(&:min)
    [one, two].map { |image| image.crop(0, 0, width, height).colourspace(:lab) }.reduce(:dE00).avg
  end

  private

  # On white.
  def shot(area)
    page.execute_script("document.querySelector('#stage').style.background = '#fff'")
    on_white(Vips::Image.new_from_buffer(page.driver.browser.screenshot(format: "png", encoding: :binary, area:), ""))
  end

  # A page of its own, with nothing on it.
  def on_paper
    paper = page.driver.browser.create_page
    yield paper
  ensure
    paper&.close
  end

  # @param paper [Ferrum::Page]
  def browser_shot(paper, svg, width, height)
    paper.set_viewport(width: width.ceil, height: height.ceil)
    laid = "body { margin: 0; background: #fff } svg { display: block; width: #{width}px; height: #{height}px }"
    paper.content = "<!DOCTYPE html><style>#{laid}</style>#{svg}"
    on_white(Vips::Image.new_from_buffer(paper.screenshot(format: "png", encoding: :binary), ""))
  end

  def on_white(image) = (image.has_alpha? ? image.flatten(background: [255, 255, 255]) : image).colourspace(:srgb)
end
