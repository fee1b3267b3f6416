module Changes
  # Fills patches of like colour of the pictures in an artwork with what is in hand: each becomes a
  # part like any other, and the picture stays what it is.
  class FillPicture < Change
    include Layering
    include Ties

    MOST, PATCHES = 40, 12 # places at once, and patches: each may take half a second

    # @param points [Array<[Float, Float]>] places in the drawing; those that lie in one patch are one
    # @param aim [Hash] see Magpie::Picture::Fill::Aim, without its place
    # @param content [Hand::Content]
    # @param settings [Hash] how it is laid over the picture: blend
    def initialize(project, points:, aim:, content:, opacity: 1.0, settings: {}, **given)
      super(project, **given)
      @points, @aim, @content, @opacity = points.first(MOST), aim, content, opacity
      @settings = Magpie::Artwork::Settings.from(settings).kept("fill")
    end

    # @return [Array<Part>] those that came
    attr_reader :parts

    private

    def prepare
      before = Drawings.of(@artwork.template)
      @found = []
      @points.each { |point| look(*Magpie::Artwork::Layers.under(before, *point)) if @found.size < PATCHES }
      raise Magpie::Error, "No picture lies there: nothing was filled" if @found.empty?
    end

    # What is transparent is passed over by a sweep.
    def look(layer = nil, pixel = nil)
      x, y = pixel
      return if layer.nil? || @found.any? { |other, fill, _| other == layer && fill.covers?(x, y) }
      aim = {x:, y:, **@aim}
      fill = Magpie::Picture::Fill.find(Pictures.of(layer.sha256), Magpie::Picture::Fill::Aim.new(**aim), small: Pictures.thinned(layer.sha256))
      @found << [layer, fill, aim, Blob.keep(fill.mask, "image/png")]
    rescue Magpie::Error
      raise if @points.size == 1
    end

    def make
      made = drawing
      raise Magpie::Error, "The picture was taken away meanwhile. Nothing was filled" unless (@found.map(&:first) - Magpie::Artwork::Layers.all(made)).empty?
      number, taken = next_position(Part.where(artwork_id: @artwork.id)), Part.where(artwork_id: @artwork.id).pluck(:key, :label).flatten.to_set
      rows = @found.map.with_index do |(layer, fill, aim, mask), index|
        name = (1..).lazy.map { |each| "Patch #{each}" }.find { |each| !taken.include?(each) && !taken.include?(key(each)) }
        taken << name
        made = Magpie::Artwork::Layers.filled(made, key(name), layer, fill, mask, aim)
        {artwork_id: @artwork.id, key: key(name), label: name, kind: "part", position: number + index}
      end
      draw(made, @found.to_h { |found| [found.last, true] }, more: rows.size)
      dress(create_all(Part, rows))
    end

    def key(name) = name.downcase.tr(" ", "_")

    def dress(ids)
      places = create_all(Place, ids.map { |part_id| {artwork_id: @artwork.id, part_id:, role: "fill", kind: "none", opacity: @opacity, settings: @settings.presence} })
      give(places, @content)
      @parts = Part.where(id: ids).order(:position).to_a
      self
    end

    def words = "Filled #{(@found.size == 1) ? "a patch" : count(@found.size, "patch")} of #{@artwork[:name]} with #{@content.name}"
  end
end
