require_relative "screens"

# What a person does with fingers.
module TouchScreens
  # A finger comes down on a page that has come. From then on the page waits for it, not it for the page.
  def touch(type, *points, **how)
    settled if type == "touchStart"
    page.driver.browser.page.command("Input.dispatchTouchEvent", type:, touchPoints: points, **how)
  end

  # Both are sent before either is answered: a finger that waits for a busy machine has stayed,
  # which is another thing than a tap.
  def tap_on(point)
    touch("touchStart", point, async: true)
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
