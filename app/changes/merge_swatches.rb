module Changes
  # Makes several swatches one. Everything that followed any of them follows the one
  # that stays, which keeps its colour or becomes a blend.
  class MergeSwatches < Change
    include Ties
    include Slots

    # @param kept [Swatch]
    # @param others [Array<Swatch>] which go
    # @param blend [Boolean] whether the kept one gets the middle of all
    def initialize(project, kept:, others:, blend: false)
      super(project)
      @kept, @others, @blend = kept, others.uniq.without(kept), blend
    end

    private

    def make
      raise Magpie::Error, "Choose two swatches or more" if @others.empty?
      all = Swatch.lock.where(id: [@kept, *@others].map(&:id)).order(:id).to_a
      refuse_locked(@blend ? all : @others)
      raise Magpie::Error, "Gradients and patterns cannot be blended" if @blend && all.any?(&:paint)
      blended = Magpie::Making::Blend.of(all.map(&:colour)) if @blend
      give(blended) if blended
      lead_over(@others, @kept)
      take_out(@others.map(&:reload))
      @kept
    end

    def give(colour)
      untie([@kept.id])
      update(@kept, colour:, definition: nil)
    end

    def words = "#{@blend ? "Blended" : "Merged"} #{Magpie::Text.list(@others.first(4).map(&:name))}#{" and #{@others.size - 4} more" if @others.size > 4} into #{@kept.name}"
  end
end
