module Changes
  # Puts a newer file in the place of an artwork. Parts that are found again keep their
  # dress, in all colourways; what was never dressed is painted as the newer file has it.
  class ReplaceArtwork < Change
    include OfArtwork
    include Defaults

    def initialize(project, name:, bytes:, **given)
      super(project, **given)
      @file, @bytes = Magpie::Text.name(name), bytes
    end

    # @return [Artwork] the newer one
    attr_reader :made

    # @return [Array<String>] what the parts are called that were dressed, and are not found again
    attr_reader :lost

    # @return [Integer] how many parts were found again
    attr_reader :found

    private

    def prepare
      @drawing = Magpie::Walls.artwork(@bytes, name: @file)
      @before = Magpie::Walls.artwork(Blob.bytes(@artwork.original), name: @artwork.name).paints.transform_values { |paint| Place.holding(paint) }
      @counterparts = Magpie::Artwork::Counterparts.new(Drawings.of(@artwork.template), @drawing.template).to_h
    end

    def make
      dressed = Dressing.new(@artwork).places.select { |place| dressed?(place) }
      @made = bring(@artwork)
      DrawingRows.new(@made, @drawing).write # not recorded one by one, as when it is brought in
      give_default(@made, @drawing)
      pairs = Copies.keys(@artwork.id, @made.id, @counterparts)
      Copies.onto(dressed.map(&:id), @made.id, pairs)
      family.drop(1).each { |way| Copies.of_dress(way.id, bring(way, first_id: @made.id).id, @made.id, pairs) }
      @rows.standing_on(Swatch, Copies.followed(Artwork.family(@made.id).ids))
      tell_apart(dressed)
      update_all(Artwork, family.map(&:id), removed_at: Time.now)
      self
    end

    # What refers to something in the file itself has been the file's all along.
    def dressed?(place)
      return false if place.kind == "reference"
      return true if place.swatch_id || place.paint
      @before[[place.key, place.role]]&.values_at(:kind, :hex, :opacity) != [place.kind, place.hex, place.opacity]
    end

    def bring(artwork, **more)
      bring_in(Artwork, **columns(artwork), **more, name: @artwork.name, original: Blob.keep(@bytes, "image/svg+xml"), template: Blob.keep(@drawing.template, "image/svg+xml"),
        width: @drawing.width, height: @drawing.height, part_count: @drawing.parts.count { |part| part.kind == :part }, dropped: @drawing.dropped)
    end

    def tell_apart(dressed)
      kept = @counterparts.values.to_set
      @found = @counterparts.size
      labels = @artwork.parts.pluck(:key, :label).to_h
      differing = Part.where(id: Place.where(artwork_id: family.drop(1).map(&:id)).select(:part_id)).pluck(:key)
      @lost = [*dressed.map(&:key), *differing].uniq.reject { |key| kept.include?(key) }.map { |key| labels[key] }
    end

    def words = "Replaced #{@artwork.name} by a newer file"
  end
end
