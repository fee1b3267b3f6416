module Changes
  # Makes several swatches one. Everything that followed any of them follows the one
  # that stays, which keeps its colour or becomes a blend.
  class MergeSwatches < Change
    include Following

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
      update(@kept, shared: true) if !@kept.shared && @others.any?(&:shared)
      update(@kept, colour: blended, definition: nil, tint_of_id: nil, tint: nil) if blended
      follow_instead(@others, @kept)
      follow(@kept)
      take_out(@others.map(&:reload))
      @kept
    end

    def words = "#{@blend ? "Blended" : "Merged"} #{Magpie::Text.list(@others.first(4).map(&:name))}#{" and #{@others.size - 4} more" if @others.size > 4} into #{@kept.name}"
  end
end
