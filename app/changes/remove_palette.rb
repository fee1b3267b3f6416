module Changes
  # Removes a palette, or single groups of one. Places that followed keep their value,
  # and what wore outfits of it stays as it is.
  class RemovePalette < Change
    include Ties
    include Likeness

    # @param groups [Array<Group>, nil] only these; nil removes the palette with all
    def initialize(project, palette:, groups: nil)
      super(project)
      @palette, @groups = palette, groups
    end

    private

    def make
      raise Magpie::Error, "#{@palette.name} comes with each new project. Take that from it first" if @palette.starter && !@groups
      groups = @groups || Group.where(palette: @palette).to_a
      swatches = Swatch.lock.where(group: groups).order(:id).to_a
      refuse_locked(swatches)
      let_go(swatches)
      untie(swatches.map(&:id))
      remove(Swatch, swatches.map(&:id))
      remove(Group, groups.map(&:id))
      return if @groups
      remove_outfits(Outfit.where(palette: @palette).order(:id).ids)
      remove(Use, Use.where(palette: @palette).ids)
      remove(Palette, [@palette.id])
    end

    def words = @groups ? "Removed #{Magpie::Text.list(@groups.map(&:name))} from #{@palette.name}" : "Removed the palette #{@palette.name}"
  end
end
