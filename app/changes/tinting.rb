module Changes
  # Tints that stay tied to a swatch. A tint is a swatch of its own, beside what it is made
  # of: it is seen, named and followed as any other.
  module Tinting
    PERCENT = 1..99

    private

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
