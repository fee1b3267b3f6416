require "digest"

module Magpie
  module Painters
    # Gradients and patterns of palettes as SVG paint servers. What is in them is written
    # once, however many parts it paints; how it lies in each is written for each way of
    # lying, by a server that refers to the first.
    class Servers
      MARK = Artwork::Identifiers::MARK
      # One that paints something: what is in it, how it lies, and how many tiles are in one.
      Used = Struct.new(:name, :compound, :frame, :placing, :times)

      # @param number [Object] anything that tells it from others
      def self.digest(of) = Digest::SHA256.hexdigest(JSON.generate(of))[0, 12]

      # A name that tells what it looks like: inks that follow differently are different,
      # though they look alike now.
      # @param compound [Palette::Compound]
      def self.name(compound) = "#{MARK}compound-#{digest([compound.to_h, compound.inks.map { |ink| ink.reference.to_s }])}"

      # @param writing [Writing] how colours are written
      def initialize(writing)
        @writing = writing
        @used, @ways = {}, {}
      end

      # @return [Writing]
      attr_reader :writing

      # @param compound [Palette::Compound]
      # @param frame [Artwork::Frames::Frame] of the part
      # @param placing [Artwork::Placing, Artwork::Tiling, nil] of one of another kind it is
      #   nothing
      # @param name [String] of what is in it
      # @return [String] the identifier of a server that paints so
      def use(compound, frame, placing = nil, name: Servers.name(compound))
        placing = nil unless placing.is_a?(compound.gradient? ? Artwork::Placing : Artwork::Tiling)
        times = compound.gradient? ? 1 : @writing.times(Tiles.new(compound, @writing), placing, frame)
        name = "#{name}-once" if !compound.gradient? && placing&.once?
        name = "#{name}-by-#{times}" if times > 1
        id = "#{name}-#{way(frame, placing)}"
        @used[id] ||= Used.new(name, compound, frame, placing, times)
        id
      end

      # @return [String] SVG, nothing where nothing was used
      def to_s = @used.empty? ? "" : "<defs>#{whole.join}#{@used.map { |id, used| Laid.new(used, @writing).to_s(id) }.join}</defs>"

      private

      # A name for how one lies.
      def way(frame, placing) = @ways[[frame, placing]] ||= Servers.digest([frame.box, placing&.to_h, (frame.matrix.to_a if placing.is_a?(Artwork::Placing) && placing.across)])

      def whole
        @used.values.uniq(&:name).map { |used| used.compound.gradient? ? gradient(used) : pattern(used) }
      end

      def pattern(used) = Tiles.new(used.compound, @writing).to_s(used.name, once: used.placing&.once?, times: used.times)

      def gradient(used)
        return Sectors.new(used.compound, @writing).to_s(used.name) if used.compound.form == "conic"
        Stops.new(used.compound, @writing).to_s(used.name)
      end
    end
  end
end
