require_relative "screens"

# What a person does in Gather.
module GatherScreens
  # The point of the window over a pixel of a picture.
  def over(x, y, picture = "#picture")
    expect(page).to have_css("#{picture} .picture-image") { |image| image.evaluate_script("this.complete && this.naturalWidth > 0") }
    box = box_of("#{picture} .picture-image")
    width, height = %w[width height].map { |side| find(picture)["data-#{side}"].to_f }
    {x: box["x"] + (x + 0.5) / width * box["width"], y: box["y"] + (y + 0.5) / height * box["height"]}
  end

  def hover(x, y) = mouse.move(**over(x, y))

  def value_under_loupe = find(".loupe p").text

  def choose_probe(value)
    find("#probe input[value='#{value}']", visible: :all).evaluate_script("this.click()")
    expect(page).to have_css("#probe input[value='#{value}']:checked", visible: :all)
  end

  def read_in_ruby(x, y, probe) = Seen.new(Source.find_by(name: "Dusk over the dome")).picture.at(x, y, probe:).average.hex

  def send_files(files, how)
    contents = files.map { |name, bytes| [name, [bytes].pack("m0")] }
    page.execute_script(<<~JS, contents, how)
      const data = new DataTransfer()
      for (const [name, bytes] of arguments[0]) data.items.add(new File([Uint8Array.from(atob(bytes), c => c.charCodeAt(0))], name, { type: "image/png" }))
      const given = { bubbles: true, cancelable: true }
      document.querySelector("main").dispatchEvent(arguments[1] === "drop" ? new DragEvent("drop", { dataTransfer: data, ...given }) : new ClipboardEvent("paste", { clipboardData: data, ...given }))
    JS
  end
end
