module Changes
  # Copies groups into a palette: to bring them from another project, or all of them
  # to duplicate a palette, with its outfits. Tints, inks and outfits follow the copies of
  # what they followed, where that is copied too.
  class CopyGroups < Change
    include Ties

    # @param into [Palette, nil] nil makes a new one like the first group's
    def initialize(project, groups:, into: nil)
      super(project)
      @groups, @palette = groups, into
      @duplicate = into.nil?
    end

    private

    def make
      raise Magpie::Error, "Choose a group to copy" if @groups.empty?
      @palette ||= duplicate(@groups.first.palette)
      @copies = {}
      @groups.each { |group| copy(group) }
      create_all(Follow, Copying.ties(@copies))
      @groups.first.palette.outfits.each { |outfit| copy_outfit(outfit) } if @duplicate
      @palette
    end

    def duplicate(model)
      name = Magpie::ColorName.unused("#{model.name} copy", Palette.pluck(:name))
      palette = create(Palette, name:, note: model.note, tags: model.tags, limits: model.limits, columns: model.columns, rows: model.rows)
      create(Use, project:, palette:, position: next_position(project.uses))
      palette
    end

    def copy(group)
      there = Group.where(palette: @palette)
      made = create(Group, palette: @palette, name: Magpie::ColorName.unused(group.name, there.pluck(:name)), note: group.note, position: next_position(there))
      rows = group.swatches.map { |swatch| Copying.row(swatch, group_id: made.id, position: swatch.position, locked: swatch.locked, **slot(swatch)) }
      create_all(Swatch, rows).zip(group.swatches) { |id, swatch| @copies[swatch.id] = id }
    end

    def copy_outfit(outfit)
      made = create(Outfit, palette: @palette, name: outfit.name, position: outfit.position)
      outfit.places.each do |held|
        place_id = create_all(Place, [{**Exchanging::COLUMNS.to_h { |column| [column, held[column]] }, role: held.role, outfit_id: made.id}]).first
        create_all(Follow, Follow.where(place_id: held.id).order(:id).map { |tie| {place_id:, swatch_id: @copies.fetch(tie.swatch_id, tie.swatch_id), ink: tie.ink} })
      end
    end

    def slot(swatch) = @duplicate ? {across: swatch.across, down: swatch.down} : {across: nil, down: nil}

    def words = @duplicate ? "Duplicated #{@groups.first.palette.name}" : "Brought #{Magpie::Text.list(@groups.first(3).map(&:name))} into #{@palette.name}"
  end
end
