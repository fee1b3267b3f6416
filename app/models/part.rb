# A paintable element of an artwork, at whatever depth.
class Part < Record
  belongs_to :artwork

  # @param numbers [Array<Integer>] in the order of the drawing
  scope :numbered, ->(numbers) { where("parts.position = ANY(#{Record.array(numbers)})") }
end
