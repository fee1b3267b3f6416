module Changes
  # Puts a better copy in the place of a source's picture and reads all its finds
  # again from it. Swatches keep the colours that they have.
  class ReplacePicture < Change
    include OfProject

    # A find, where its place is in the better copy, and what it reads there: columns,
    # or the reason why it cannot be read.
    Reread = Struct.new(:find, :place, :colours, :problem, keyword_init: true) do
      def colour = colours[find.chosen.to_sym]

      def difference = Magpie::Difference.de2000(find.colour, colour)
    end

    # What would become of each find.
    # @param picture [Magpie::Picture] the better copy
    # @return [Array<Reread>]
    def self.preview(source, picture)
      factors = [picture.width.fdiv(source.width), picture.height.fdiv(source.height)]
      source.finds.kept.where(way: %w[square round patch]).order(:id).map { |find| reread(find, Aim.of_find(find).scaled(factors), picture) }
    end

    def self.reread(find, aim, picture)
      reading = aim.read(picture)
      return Reread.new(find:, place: aim.place, problem: "transparent there now") unless reading.average
      Reread.new(find:, place: {**aim.place, x: reading.at[0], y: reading.at[1]}, colours: Reading.colours(reading))
    rescue Magpie::Error => error
      Reread.new(find:, place: aim.place, problem: error.message)
    end

    # @param file [Import] the better copy
    def initialize(project, source:, file:)
      super(project)
      @source, @file = source, file
    end

    private

    def prepare
      @opened = PictureCache.bring(@file.sha256, Blob.bytes(@file.sha256), @file.name)
      @picture = PictureCache.reopen(@file.sha256)
    end

    # Finds may have come since it was decoded, so they are read again here.
    def make
      picture = @picture
      rereads = ReplacePicture.preview(@source.reload, picture)
      @read = rereads.count(&:colours)
      factors = [picture.width.fdiv(@source.width), picture.height.fdiv(@source.height)]
      rereads.each { |each| update(each.find, **each.place, **each.colours.to_h) }
      @source.finds.where.not(id: rereads.map { |each| each.find.id }).each { |find| update(find, **Aim.of_find(find).scaled(factors).place) }
      update(@source, sha256: @file.sha256, width: picture.width, height: picture.height, facts: @opened.facts, tone: @opened.tone.to_h)
      @source
    end

    def words = "Replaced the picture of #{@source.name} and read #{count(@read, "find")} again"
  end
end
