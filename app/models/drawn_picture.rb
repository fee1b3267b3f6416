# A picture that a drawing shows.
class DrawnPicture < Record
  # A drawing is kept, with what it shows.
  # @param drawing [String] a template
  # @param plain [Hash{String => Boolean}] of those that are new: is it shown as it is?
  # @return [String] the SHA-256 of the drawing
  def self.keep(drawing, plain)
    template = Blob.keep(drawing, "image/svg+xml")
    shas = Magpie::Artwork::Layers.pictures(drawing)
    known = where(sha256: shas).pluck(:sha256, :plain).to_h
    rows = shas.map { |sha256| {template:, sha256:, plain: plain.fetch(sha256) { known.fetch(sha256) }} }
    insert_all(rows, unique_by: %i[template sha256]) if rows.any?
    template
  end
end
