require_relative "screens"

# What a person does in Dress.
module DressScreens
  SHIFT = 8

  def poster = Artwork.firsts.find_by!(name: "Poster")

  # @param query [String] what follows the address
  def open_dress(query = "tool=pick", artwork: poster)
    visit "/projects/#{demo.id}/dress?artwork=#{artwork.id}&#{query}"
    expect(page).to have_css("#stage-drawing")
    settled
  end

  # Keys of the parts that are outlined.
  def outlined(artwork = poster)
    numbers = find("#outline", visible: :all)["data-outlined"].to_s.split(",").map(&:to_i)
    artwork.parts.where(position: numbers).pluck(:key).sort
  end

  def picks(*keys, artwork: poster) = eventually { expect(outlined(artwork)).to eq keys.sort }

  # A point in the window at a share of the stage.
  def on_stage(across, down) = box_of("#stage").then { |box| {x: box["x"] + box["width"] * across, y: box["y"] + box["height"] * down} }

  # One px of the stage in units of the drawing.
  def unit = poster.width / box_of("#stage")["width"]

  # Parts are picked and filled with a gradient or pattern instead, whose handles come.
  def switched(kind, handle, keys)
    keys.each_with_index { |key, index| click_part key, shift: index > 0 }
    picks(*keys)
    click_button kind
    expect(page).to have_css("#handles [data-handle='#{handle}']")
    settled
  end

  # The wheel, where the pointer is.
  def roll(by, at)
    find(".stage-room:has(#stage)").execute_script("this.dispatchEvent(new WheelEvent('wheel', { deltaY: #{by}, clientX: #{at[:x]}, clientY: #{at[:y]}, bubbles: true, cancelable: true }))")
  end

  def hold(name)
    find(".rack-chip[title^='#{name}']").click
    expect(page).to have_css(".rack-chip[title^='#{name}'][aria-selected=true]")
    settled
  end

  def drag_over(*points)
    mouse.move(**points.first)
    mouse.down
    points.drop(1).each { |point| mouse.move(**point, steps: 12) }
  end

  # With the constraining key held down.
  def drag_constrained(from, to)
    say = ->(type, point) { page.driver.browser.page.command("Input.dispatchMouseEvent", type:, button: "left", buttons: 1, clickCount: 1, modifiers: SHIFT, **point) }
    mouse.move(**from)
    say.call("mousePressed", from)
    12.times { |step| say.call("mouseMoved", from.to_h { |axis, value| [axis, value + (to[axis] - value) * (step + 1) / 12] }) }
    say.call("mouseReleased", to)
    settled
  end

  # What was done last can be undone, as the button says.
  def expect_done(words) = expect(page).to(have_css("#undo[title='Undo: #{words}']"))
end

RSpec.configure { |config| config.include DressScreens, file_path: %r{/spec/screens/dress} }
