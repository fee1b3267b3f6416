module Changes
  class RenameSwatch < Change
    def initialize(project, swatch:, name:)
      super(project)
      @swatch, @before, @name = swatch, swatch.name, Magpie::Text.name(name)
    end

    private

    def make
      raise Magpie::Error, "A swatch needs a name" if @name.empty?
      return @swatch if @name == @before
      others = @swatch.group.swatches.where.not(id: @swatch.id)
      raise Magpie::Error, "#{@swatch.group.name} already has a swatch called #{@name}" if others.any? { |other| other.name.casecmp?(@name) }
      update(@swatch, name: @name)
      @swatch
    end

    def words = "Renamed #{@before} to #{@name}"
  end
end
