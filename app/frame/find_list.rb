module Frame
  # The finds that the hand lists: all of the project's, or those of the picture that is
  # looked at.
  class FindList
    # @param desk [Desk]
    # @param looked [Source, Artwork, nil] what is looked at
    def initialize(desk, looked)
      @desk, @looked = desk, looked
    end

    attr_reader :looked

    def choice? = !looked.nil? && @desk.finds.any?

    def here? = @desk.choices[:listed] == "here"

    # @return [Array<Find>]
    def shown = @shown ||= (here? && looked) ? @desk.finds.select { |find| find.readable == looked } : @desk.finds

    # The source whose finds alone are cleared.
    def source = (looked if here? && looked.is_a?(Source))

    def nothing
      return "Nothing has been read from this picture yet." if @desk.finds.any?
      "Every colour you read from a picture is kept here by itself, with its place."
    end

    # What a find's card says, a line each.
    def card(find) = ["#{find.name} #{find.hex}", find.origin, ("pinned" if find.pinned)].compact.join("|")

    # Tells one crop of its picture from another; nil where there is nothing to cut out.
    def crop(find) = ([find.x, find.y, find.readable.is_a?(Source) ? find.source.sha256[0, 6] : ""].join("-") if find.readable && find.x)
  end
end
