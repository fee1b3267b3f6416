# Drawings that artworks are made from, kept by this process: they never change under
# their SHA-256, and each page of Dress draws several.
module Drawings
  MOST = 32 * 1024 * 1024 # bytes in all
  @kept, @size = {}, 0
  @lock = Mutex.new

  module_function

  # @return [String] SVG, frozen
  def of(sha256) = @kept[sha256] || keep(sha256, Blob.bytes(sha256).force_encoding(Encoding::UTF_8).freeze)

  # The oldest go when there are too many. A new hash, since others may be reading the old one.
  def keep(sha256, drawing)
    @lock.synchronize do
      kept, @size = {**@kept, sha256 => drawing}, @size + drawing.bytesize
      @size -= kept.delete(kept.keys.first).bytesize while @size > MOST && kept.size > 1
      @kept = kept
    end
    drawing
  end
end
