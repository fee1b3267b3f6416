# A drawing whose parts are dressed from the palettes; or a colourway of one, which shares
# its parts, and has places of its own only where it differs from the first.
class Artwork < Record
  include Readable

  # How places say what they hold, and how drawings do.
  KINDS = {"none" => :none, "colour" => :plain, "reference" => :server, "compound" => :compound}.freeze

  belongs_to :project

  RATIOS = 0.02..50 # what a page can show

  # The first and its colourways.
  scope :family, ->(ids) { where(id: ids).or(where(first_id: ids)) }
  scope :firsts, -> { where(first_id: nil) }

  # Places that some artworks show, each once. With their first among them, colourways show
  # nothing but these and their own.
  # @param artworks [Array<Artwork>]
  # @return [ActiveRecord::Relation]
  def self.places_shown(artworks)
    ids = artworks.map(&:id)
    return Place.where(artwork_id: ids) if artworks.all? { |each| ids.include?(each.drawn_id) }
    (artworks.size == 1) ? Place.where(artworks.first.shows("places")) : Place.where("places.id IN (#{shown(ids)})")
  end

  # Whether a place is shown here, as SQL: whatever else is asked of it, its indexes serve.
  # @param place [String] what the place is called there
  def shows(place = "p")
    own = "#{place}.artwork_id = #{Integer(id)}"
    return own unless colourway?
    "(#{own} OR #{place}.artwork_id = #{Integer(first_id)} AND NOT EXISTS (SELECT FROM places own WHERE own.part_id = #{place}.part_id AND own.role = #{place}.role AND own.artwork_id = #{Integer(id)}))"
  end

  # Without those of parts that are locked.
  # @return [ActiveRecord::Relation]
  def self.open_places(artworks)
    locked = Part.where(artwork_id: artworks.map(&:drawn_id).uniq, locked: true)
    locked.exists? ? places_shown(artworks).where.not(part_id: locked.select(:id)) : places_shown(artworks)
  end

  # Places that are shown in some artworks, each once.
  # @param ids [Array<Integer>] of artworks
  # @return [String] SQL that selects their ids
  def self.shown(ids) = "SELECT id FROM shown_places WHERE shown_in = ANY(#{Record.array(ids)})"

  def colourway? = !first_id.nil?

  # Whose parts it has.
  def drawn_id = first_id || id

  def parts = Part.where(artwork_id: drawn_id).order(:position)

  # Those that it shows: its own, and those of the first that it has not replaced.
  def places = Artwork.places_shown([self])

  # Those of parts that something can be given to: locked ones keep what they have.
  # @param numbers [Array<Integer>] of parts
  def places_of(numbers) = places.where(part_id: parts.numbered(numbers).reorder(nil).where(locked: false).ids) # found by the few parts and not among the many places

  # Those by which parts are told that are to wear something.
  # @return [ActiveRecord::Relation]
  def open_fills = Artwork.open_places([self]).where(role: "fill")

  # Why nothing is found to be written of parts.
  # @param numbers [Array<Integer>] of parts
  # @return [Magpie::Error]
  def without_parts(numbers)
    there = parts.numbered(numbers).where(kind: "part").pluck(:label, :locked)
    locked = there.select(&:last).map(&:first)
    return Magpie::Error.new("#{self[:name]} has no such part") if there.empty?
    return Magpie::Error.new("#{there.first.first} is a patch of a picture: it has a fill, and no line") if locked.empty?
    Magpie::Error.new((locked.size == 1) ? "#{locked.first} is locked. Unlock it first" : "#{locked.size} parts are locked. Unlock them first")
  end

  # As it is told from others: "Poster, Winter hours".
  def name = colourway? ? "#{super}, #{colourway}" : super

  # Width by height, as it is shown.
  def ratio = (width / height).clamp(RATIOS).round(5)
end
