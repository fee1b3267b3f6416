module Changes
  # Lays a picture beneath or above a drawing, as large as it fits.
  class AddLayer < Change
    include Layering

    # @param at [String] of Magpie::Artwork::Layers::AT
    def initialize(project, name:, bytes:, at:, **given)
      super(project, **given)
      raise Magpie::Error, "#{at[0, 40].inspect} is no place for a picture: expected beneath or above" unless Magpie::Artwork::Layers::AT.include?(at)
      @file, @bytes, @at = Magpie::Text.name(name), bytes, at
    end

    private

    def prepare
      @sha256 = Blob.sha256(@bytes)
      @opened = PictureCache.bring(@sha256, @bytes, @file, toned: false)
    end

    # Patches lie on one picture, which its SHA-256 names.
    def make
      raise Magpie::Error, "#{@artwork[:name]} shows that picture already" if Magpie::Artwork::Layers.all(drawing).any? { |each| each.sha256 == @sha256 }
      Blob.keep(@bytes, Magpie::Picture::File.format(@bytes).media_type, @sha256)
      draw(Magpie::Artwork::Layers.with(drawing, @sha256, @opened.width, @opened.height, @at), {@sha256 => @opened.facts[:plain]})
    end

    def words = "Laid #{@file} #{@at} #{@artwork[:name]}"
  end
end
