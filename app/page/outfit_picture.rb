module Page
  # An outfit as a picture of itself, in the colours of now, where its fill or line is more than a
  # colour: a square that wears it, or a line where it has marks at its ends.
  class OutfitPicture
    SIDE = 40.0
    SQUARE, LINE = '<rect x="8" y="8" width="24" height="24"', '<path d="M8 30C14 8 26 34 32 10"'
    WIDEST, REPEAT = 6.0, 12.0 # of the line, and of patterns, in the small square
    KEY = "worn"

    # @param paints [Hash{String => Magpie::Artwork::Paint}] by role
    # @param settings [Magpie::Artwork::Settings]
    def initialize(paints, settings)
      @paints, @settings = paints, settings
    end

    # @return [String] CSS
    def css = Background.picture(svg)

    # @return [String]
    def svg
      shape = (marked? ? LINE : SQUARE) + %( #{Magpie::Artwork::Parts::MARK}="#{Magpie::Artwork::Identifiers::MARK}#{KEY}"/>)
      template = %(<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 #{SIDE} #{SIDE}">#{shape}</svg>)
      Magpie::Painters::Flat.new(Magpie::Artwork::Settings.onto(template, {KEY => drawn}), painted, frames: Magpie::Artwork::Frames.new(template)).to_s
    end

    private

    def marked? = [@settings.first_mark, @settings.last_mark].any? { |mark| ![nil, "none"].include?(mark) }

    # As small as it has to be, with dashes that go along.
    def drawn
      width = @settings.width || 1.0
      small = width.clamp(1.0, marked? ? WIDEST / 2 : WIDEST)
      dash = @settings.dash&.gsub(/[\d.]+/) { |length| Magpie::Artwork::Affine.short(length.to_f * small / [width, 0.01].max) }
      @settings.dup.tap { |made| made.width, made.dash, made.hidden, made.filter, made.grain_size = small, dash, nil, nil, (1.0 if made.grain) }
    end

    def painted
      @paints.to_h do |role, paint|
        paint = Magpie::Artwork::Paint.none if role == "fill" && marked?
        [[KEY, role], (paint.compound && !paint.compound.gradient?) ? paint.dup.tap { |made| made.compound = paint.compound.with(size: [paint.compound.size, REPEAT].min) } : paint]
      end
    end
  end
end
