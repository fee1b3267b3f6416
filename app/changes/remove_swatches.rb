module Changes
  # Removes swatches. What followed them follows another, or keeps its value: no place
  # is left without a paint.
  class RemoveSwatches < Change
    include Ties
    include Slots

    # @param replacements [Hash{Swatch => Swatch}] for some of them; the others' places are frozen
    def initialize(project, swatches:, replacements: {})
      super(project)
      @swatches, @replacements = swatches, replacements
    end

    private

    def make
      raise Magpie::Error, "Choose swatches to remove" if @swatches.empty?
      refuse_locked(@swatches)
      @frozen, followed = @swatches.partition { |swatch| @replacements[swatch].nil? }
      raise Magpie::Error, "A swatch cannot be replaced by one that goes too" if @replacements.values.compact.any? { |kept| @swatches.include?(kept) }
      replace(followed)
      let_go(@frozen)
      take_out(@swatches.map(&:reload))
    end

    def replace(followed)
      followed.group_by { |swatch| @replacements[swatch] }.each do |kept, gone|
        lead_over(gone, kept)
      end
    end

    def words = "Removed #{named(@swatches)}#{", replaced by #{Magpie::Text.list(@replacements.values.compact.uniq.first(3).map(&:name))}" if @replacements.values.any?}"
  end
end
