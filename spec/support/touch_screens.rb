require_relative "screens"

# What a person does with fingers.
module TouchScreens
  def touch(type, *points) = settled.driver.browser.page.command("Input.dispatchTouchEvent", type:, touchPoints: points)

  def tap_on(point)
    touch("touchStart", point)
    touch("touchEnd")
  end

  def tap_element(element) = tap_on(element.evaluate_script("this.getBoundingClientRect().toJSON()").then { |box| {x: box["x"] + box["width"] / 2, y: box["y"] + box["height"] / 2} })

  # A swipe through some points, which the browser may take over before it ends.
  def swipe(*points, ends: "touchEnd")
    touch("touchStart", points.first)
    points.drop(1).each { |point| touch("touchMove", point) }
    touch(ends)
  end
end
