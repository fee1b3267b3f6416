module Changes
  # Keeps a gradient or pattern as a swatch, or gives one that is there other inks.
  class KeepPaint < Change
    include Following

    # @param paint [Magpie::Palette::Compound] its inks' colours are taken from the
    #   swatches that they follow
    # @param group [Group, nil] for a new one
    # @param swatch [Swatch, nil] to be changed
    def initialize(project, paint:, group: nil, swatch: nil, name: "")
      super(project)
      @paint, @group, @swatch, @name = paint, group, swatch, Magpie::Text.name(name)
    end

    private

    def make
      paint = resolved
      return change(paint) if @swatch
      name = free_names(@group, [@name.empty? ? "#{Magpie::Palette::Compound::FORMS.fetch(paint.form).split.first} #{paint.inks.size}" : @name]).first
      raise Magpie::Error, "#{@group.name} already has a swatch called #{@name}. Give this one another name" unless @name.empty? || name == @name
      @swatch = create(Swatch, group: @group, name:, paint:, colour: paint.colour, shared: true, position: next_position(Swatch.where(group: @group)))
    end

    def change(paint)
      refuse_locked([@swatch])
      raise Magpie::Error, "#{@swatch.name} is a plain colour" unless @swatch.paint
      @changed = true
      repaint(@swatch, paint)
      @swatch
    end

    # An ink cannot follow a gradient or a pattern: it holds one colour.
    def resolved
      @paint.inks.map(&:swatch).compact.uniq.reduce(@paint.checked) do |paint, id|
        followed = Swatch.find_by(id:) or raise Magpie::Error, "A swatch that an ink follows was removed meanwhile"
        raise Magpie::Error, "#{followed.name} is a gradient or pattern itself: an ink follows a plain colour" if followed.paint
        paint.following(id, followed.colour)
      end
    end

    def words = "#{@changed ? "Changed" : "Kept"} #{@swatch.name}#{" in #{@group.name}" if @group}"
  end
end
