# What drawings say, read once for each: the last few are kept.
#
#   module PartFrames
#     extend KeptOfDrawings
#     keeps(4) { |drawing| Magpie::Artwork::Frames.new(drawing) }
#   end
module KeptOfDrawings
  # @param most [Integer] drawings of which it is kept
  # @yieldparam drawing [String] a template
  def keeps(most, &read)
    @most, @read = most, read
    @kept, @lock = {}, Mutex.new
  end

  # @param sha256 [String] of a template
  def of(sha256)
    @kept[sha256] || @read.call(Drawings.of(sha256)).tap do |found|
      @lock.synchronize { @kept = {**@kept, sha256 => found}.to_a.last(@most).to_h }
    end
  end
end
