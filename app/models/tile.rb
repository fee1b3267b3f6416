require "digest"

# What a tile is that somebody brought in. Patterns name it by its form, wherever they are, so that
# it is never removed.
class Tile < Record
  self.primary_key = "form"

  KEPT = 60 # that are known without asking

  @known, @lock = {}, Mutex.new

  # @param svg [String] see Magpie::Palette::Tile
  # @param seams [Array<Magpie::Painters::Seam::Edge>]
  # @return [String] its form
  def self.keep(svg, seams)
    form = "#{Magpie::Palette::Tile::OWN}#{Digest::SHA256.hexdigest(svg)[0, 16]}"
    insert_all([{form:, svg:, seams: seams.map(&:to_a), created_at: Time.now}], unique_by: :form)
    form
  end

  # @return [Magpie::Palette::Tile, nil]
  def self.known(form)
    @lock.synchronize { @known[form] }&.then { |found| return found }
    svg = where(form:).pick(:svg) or return
    made = Magpie::Palette::Tile.new(svg)
    @lock.synchronize do
      @known.shift if @known.size >= KEPT
      @known[form] = made
    end
  end

  # Where it meets itself.
  # @return [Array<Magpie::Painters::Seam::Edge>]
  def edges = seams.map { |edge| Magpie::Painters::Seam::Edge.new(*edge) }
end
