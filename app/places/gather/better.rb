module Places
  module Gather
    # A better copy of a source, before it takes the place of the one that is there.
    class Better
      attr_reader :source, :file

      # @param source [Source]
      # @param file [Import]
      def initialize(source, file)
        @source, @file = source, file
      end

      # @return [Magpie::Picture]
      def picture = @picture ||= PictureCache.picture(file.sha256, file.name) { Blob.bytes(file.sha256) }

      # Has it another shape, beyond what rounding does?
      def reshaped? = !(source.width.fdiv(source.height) / picture.width.fdiv(picture.height)).between?(0.99, 1.01)

      # What every find of the source would become.
      def rereads = @rereads ||= Changes::ReplacePicture.preview(source, picture)

      def changing = rereads.count(&:colours)
    end
  end
end
