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
      raise Magpie::Error, "#{@artwork[:name]} shows pictures, in which patches lie where they were filled. Bring the newer one in as an artwork of its own" if Magpie::Artwork::Layers.all(Drawings.of(@artwork.template)).any?
      @drawing = Magpie::Walls.artwork(@bytes, name: @file)
      before = Magpie::Walls.artwork(Blob.bytes(@artwork.original), name: @artwork.name)
      @before, @labels = before.paints.transform_values { |paint| Place.holding(paint) }, before.parts.to_h { |part| [part.key, part.label] }
      @counterparts = Magpie::Artwork::Counterparts.new(Drawings.of(@artwork.template), @drawing.template).to_h
    end

    def make
      dressed = Dressing.new(@artwork).places.select { |place| dressed?(place) }
      @made = bring(@artwork)
      DrawingRows.new(@made, @drawing).write # not recorded one by one, as when it is brought in
      give_default(@made, @drawing)
      keep_names_and_locks
      pairs = Copies.keys(@artwork.id, @made.id, @counterparts)
      Copies.onto(dressed.map(&:id), @made.id, pairs)
      family.drop(1).each { |way| Copies.of_dress(way.id, bring(way, first_id: @made.id).id, @made.id, pairs) }
      Copies.stand(@rows, Artwork.family(@made.id).ids)
      update_all(Patch, Patch.where(artwork_id: @artwork.id).order(:id).ids, artwork_id: @made.id)
      tell_apart(dressed)
      update_all(Artwork, family.map(&:id), removed_at: Time.now)
      self
    end

    # What refers to something in the file itself has been the file's all along.
    def dressed?(place)
      return false if place.kind == "reference"
      return true if place.swatch_id || place.paint || place.settings || place.outfit_id
      @before[[place.key, place.role]]&.values_at(:kind, :hex, :opacity) != [place.kind, place.hex, place.opacity]
    end

    # What people called parts, and locked.
    def keep_names_and_locks
      fresh = @made.parts.where(kind: "part").pluck(:key, :id, :label).to_h { |key, *rest| [key, rest] }
      old = @artwork.parts.pluck(:key, :label, :locked).to_h { |key, *rest| [key, rest] }
      rows = @counterparts.filter_map do |key, was|
        label, locked = old[was]
        renamed = label && label != @labels[was]
        {id: fresh[key][0], label: renamed ? label : fresh[key][1], locked:} if fresh[key] && (renamed || locked)
      end
      Part.write(rows) if rows.any?
    end

    # Of groups that hold something of what they held.
    def group_labels
      old, fresh = [Drawings.of(@artwork.template), @drawing.template].map { |template| Magpie::Artwork::Tree.groups(Magpie::Artwork::Tree.of(template)) }
      @artwork.group_labels.select { |group, _| fresh.fetch(group, []).any? { |key| old.fetch(group, []).include?(@counterparts[key]) } }
    end

    def bring(artwork, **more)
      bring_in(Artwork, **columns(artwork), group_labels:, **more, name: @artwork.name, original: Blob.keep(@bytes, "image/svg+xml"), template: Blob.keep(@drawing.template, "image/svg+xml"),
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
