module Magpie
  # What becomes of a drawing: each painter puts paints into a template, for those who
  # know custom properties and those who do not, or as a picture.
  #
  # One rule holds for all of them. What is seen at a place has the opacity of its
  # colour times that of the place; each painter writes the two once, in one way.
  module Painters
    # A picture that colours are read from; a drawing is made safe and painted.
    # @param bytes [String] a file in one of Picture::File::FORMATS
    # @return [Picture]
    # @raise [Magpie::Error]
    def self.picture(bytes, name: "the file") = Picture.read(bytes, name:, draw: ->(drawing, file) { Flat.of(Artwork.read(drawing, name: file)) })

    autoload :Board, "magpie/painters/board"
    autoload :Svg, "magpie/painters/svg"
    autoload :Flat, "magpie/painters/flat"
    autoload :Linked, "magpie/painters/linked"
    autoload :Servers, "magpie/painters/servers"
    autoload :LinkedWriting, "magpie/painters/linked_writing"
    autoload :Writing, "magpie/painters/writing"
    autoload :Stops, "magpie/painters/stops"
    autoload :Sectors, "magpie/painters/sectors"
    autoload :Laid, "magpie/painters/laid"
    autoload :Tiles, "magpie/painters/tiles"
    autoload :OwnTile, "magpie/painters/own_tile"
    autoload :Seam, "magpie/painters/seam"
    autoload :Outgoing, "magpie/painters/outgoing"
    autoload :Grounds, "magpie/painters/grounds"
  end
end
