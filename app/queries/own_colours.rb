# The main colours of a piece, found once for this process.
module OwnColours
  MOST = 200
  KNOWN = {}
  LOCK = Mutex.new
  private_constant :KNOWN, :LOCK

  module_function

  # @param sha256 [String] of its bytes
  # @yieldreturn [String] the bytes
  # @return [Array<Magpie::Color>] most first
  def of(sha256, count)
    LOCK.synchronize { KNOWN[[sha256, count]] } || found(yield, count).tap do |colours|
      LOCK.synchronize do
        KNOWN.shift if KNOWN.size >= MOST
        KNOWN[[sha256, count]] = colours
      end
    end
  end

  def found(bytes, count) = Magpie::Walls.main_colours(bytes, {count:, accents: 0.5, leave_out: false}, name: "the piece").map(&:colour)
end
