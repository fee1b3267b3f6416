# A page that has been laid out and painted as it is now.
module Painted
  private

  def settle_down = page.evaluate_async_script("requestAnimationFrame(() => requestAnimationFrame(() => arguments[0](true)))")
end
