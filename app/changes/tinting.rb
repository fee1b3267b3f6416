module Changes
  # Tints that stay tied to a swatch. A tint is a swatch of its own, beside what it is made
  # of: it is seen, named and followed as any other.
  module Tinting
    PERCENT = 1..99

    private

    # What a tint is made of; another swatch itself.
    # @param id [Integer] of a swatch
    def parent_of(id) = Swatch.find(Follow.where(follower_id: id).where.not(tint: nil).pick(:swatch_id) || id)

    # @param percent [Float] 1 to 100
    # @return [Swatch] the parent, a tint of it that is there, or one that is made
    def tint_of(parent, percent)
      return parent.tap { share([parent]) } if percent >= 100
      there = Swatch.where(id: Follow.where(swatch_id: parent.id, tint: percent).where.not(follower_id: nil).select(:follower_id)).order(:id).first
      there ? there.tap { share([there]) } : make_tint(parent, percent).tap { |made| share([made]) }
    end

    # @param parent [Swatch] not a gradient or pattern
    # @param percent [Float] 1 to 99
    # @return [Swatch]
    # @raise [Magpie::Error]
    def make_tint(parent, percent)
      raise Magpie::Error, "a tint of #{percent} %: expected 1 to 99" unless percent.between?(PERCENT.begin, PERCENT.end)
      raise Magpie::Error, "#{parent.name} is a gradient or pattern: a tint is made of a plain colour" if parent.lock!.paint
      share([parent])
      taken = Swatch.where(group_id: parent.group_id)
      name = Magpie::ColorName.unused("#{parent.name} #{percent.round} %", taken.pluck(:name))
      swatch = create(Swatch, group_id: parent.group_id, name:, colour: Following::Flow.tinted(parent.colour, percent), position: next_position(taken))
      create_all(Follow, [{swatch_id: parent.id, follower_id: swatch.id, tint: percent}])
      swatch
    end
  end
end
