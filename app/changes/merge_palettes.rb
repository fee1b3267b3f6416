module Changes
  # Merges a palette into another. A swatch that is as near as the limit to one that is
  # there becomes one with it, and its places follow; the others move over, into the
  # group of the same name or one that is made for them, and so do outfits.
  class MergePalettes < Change
    include Ties
    include Slots

    # What would become of each swatch: [[swatch, the one that stays or nil, ΔE00]].
    def self.preview(from, into, limit)
      there = Magpie::Library::Nearest.of(into.swatches.reject(&:paint))
      from.swatches.map do |swatch|
        kept, difference = there.nearest(swatch.colour, within: limit, alike: true) unless swatch.paint
        [swatch, kept, difference]
      end
    end

    def initialize(project, from:, into:, limit:)
      super(project)
      @from, @into, @limit = from, into, limit.clamp(0.0, 20.0)
    end

    private

    def make
      raise Magpie::Error, "A palette cannot be merged into itself" if @from == @into
      merged, moved = MergePalettes.preview(@from, @into, @limit).partition { |_, kept, _| kept }
      refuse_locked(merged.map(&:first))
      @merged, @moved = merged.size, moved.size
      merge(merged)
      move(moved.map(&:first))
      move_outfits
      lead_uses
      remove(Group, Group.where(palette: @from).ids)
      remove(Palette, [@from.id])
      @into
    end

    def merge(pairs)
      pairs.group_by { |_, kept, _| kept }.each do |kept, all|
        gone = all.map(&:first)
        lead_over(gone, kept)
        remove(Swatch, gone.map(&:id))
      end
    end

    def move(swatches)
      swatches.group_by(&:group).each do |group, moving|
        there = Group.where(palette: @into)
        target = there.find { |each| each.name.casecmp?(group.name) } || create(Group, palette: @into, name: group.name, note: group.note, position: next_position(there))
        first = next_position(Swatch.where(group: target))
        moving.zip(free_names(target, moving.map(&:name))).each_with_index { |(swatch, name), index| update(swatch, group_id: target.id, name:, position: first + index, across: nil, down: nil) }
      end
    end

    # They go on being worn.
    def move_outfits
      there = Outfit.where(palette: @into).order(:position).to_a
      names = there.map(&:name)
      Outfit.where(palette: @from).order(:position, :id).each.with_index((there.last&.position || 0) + 1) do |outfit, position|
        names << (name = Magpie::ColorName.unused(outfit.name, names))
        update(outfit, palette_id: @into.id, name:, position:)
      end
    end

    # Projects that used the one use the other.
    def lead_uses
      users = Use.where(palette: @into).pluck(:project_id)
      gone, led = Use.where(palette: @from).to_a.partition { |use| users.include?(use.project_id) }
      led.each { |use| update(use, palette_id: @into.id) }
      remove(Use, gone.map(&:id))
    end

    def words = "Merged #{@from.name} into #{@into.name}: #{count(@merged, "swatch")} became one with another, #{@moved} moved"
  end
end
