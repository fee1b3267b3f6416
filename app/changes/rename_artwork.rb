module Changes
  # Gives an artwork another name.
  class RenameArtwork < Change
    include OfArtwork

    def initialize(project, name:, **given)
      super(project, **given)
      @name = Magpie::Text.name(name, longest: 120)
    end

    private

    def make
      raise Magpie::Error, "An artwork needs a name" if @name.empty?
      @was = @artwork.name
      update_all(Artwork, [@artwork.id], name: @name) # colourways are called as their first
    end

    def words = "Renamed #{@was} to #{@name}"
  end
end
