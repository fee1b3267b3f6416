module Changes
  # Names an outfit, or moves it among those of its palette.
  class EditOutfit < Change
    include Ordering

    # @param name [String, nil]
    # @param by [Integer, nil] -1 moves it up, 1 down
    def initialize(project, outfit:, name: nil, by: nil)
      super(project)
      @outfit, @name, @by, @was = outfit, name && Magpie::Text.name(name), by, outfit.name
    end

    private

    def make
      all = @outfit.palette.outfits.to_a
      return put(all, @outfit, all.index(@outfit) + @by) if @by
      raise Magpie::Error, "An outfit needs a name" if @name.to_s.empty?
      raise Magpie::Error, "#{@outfit.palette.name} already has an outfit called #{@name}" if all.without(@outfit).any? { |each| each.name.casecmp?(@name) }
      update(@outfit, name: @name) unless @name == @was
    end

    def words = @by ? "Moved the outfit #{@was}" : "Renamed the outfit #{@was} to #{@name}"
  end
end
