module Changes
  # Keeps a tint of a swatch that stays tied to it: when the swatch changes, so does
  # its tint. Only what is shared is followed, so the swatch is from then on.
  class KeepTint < Change
    include Ties
    include Tinting

    # @param percent [Float] 1 to 99
    def initialize(project, parent:, percent:)
      super(project)
      @parent, @percent = parent, percent
    end

    private

    def make
      @shared = !@parent.shared
      make_tint(@parent, @percent)
    end

    def words = "Kept a tint of #{@parent.name}, #{@percent.round} %#{", and shared it" if @shared}"
  end
end
