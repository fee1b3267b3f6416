# Where and how a picture is read: a square of some size, an outline drawn by hand,
# or the patch that grows from a place.
Aim = Struct.new(:way, :x, :y, :size, :corners, :tolerance, keyword_init: true) do
  const_set :PROBES, [*Magpie::Picture::Probe::SIZES.map(&:to_s), "round", "patch"].freeze

  # @param param [#text, #whole, #number] of a request, as Frame::Asked
  # @raise [Magpie::Error]
  def self.of_request(param)
    place = ->(name) { param.whole(name, -1_000_000..1_000_000) }
    case param.text(:probe)
    when "round" then of_corners(param.text(:corners))
    when "patch" then new(way: "patch", x: place[:x], y: place[:y], tolerance: param.number(:tolerance, 0, 0..1000))
    else new(way: "square", x: place[:x], y: place[:y], size: place[:probe])
    end
  end

  # @param text [String] "x,y x,y …"
  def self.of_corners(text)
    corners = text[0, 100_000].split.map { |pair| pair.split(",").map { |number| Float(number, exception: false) } }
    raise Magpie::Error, "the outline is damaged: expected pairs of numbers" unless corners.all? { |pair| pair.size == 2 && pair.all? { |v| v&.finite? && v.abs < 1e6 } }
    new(way: "round", corners:)
  end

  def self.of_find(find) = new(way: find.way, x: find.x, y: find.y, size: find.probe, corners: find.corners, tolerance: find.tolerance)

  # @return [Magpie::Picture::Region]
  # @raise [Magpie::Error]
  def region(picture)
    case way
    when "round" then Magpie::Picture::Probe.round(picture, corners)
    when "patch" then Magpie::Picture::Probe.patch(picture, x, y, tolerance)
    else Magpie::Picture::Probe.square(picture, x, y, size || 5)
    end
  end

  # @return [Magpie::Picture::Reading]
  # @raise [Magpie::Error]
  def read(picture) = picture.read(region(picture), at: (x && way != "round") ? [x, y] : nil)

  # The same way of reading, at another place.
  def moved(to_x, to_y)
    by = [to_x - x.to_i, to_y - y.to_i]
    with(x: to_x, y: to_y, corners: corners&.map { |corner| corner.zip(by).map(&:sum) })
  end

  # The same place in a copy of another size.
  # @param factors [[Float, Float]] across and down
  def scaled(factors)
    wide, high = factors
    with(x: x && (x * wide).floor, y: y && (y * high).floor, corners: corners&.map { |u, v| [u * wide, v * high] })
  end

  # The columns of a find that say where it was read.
  def place = {x:, y:, corners:}

  # The columns of a find that say how it was read.
  def columns = {way:, probe: size, corners:, tolerance:}

  private

  def with(**changed) = self.class.new(**to_h, **changed)
end
