# Who asks for something or changes it, and what they may touch: every query and every
# change is given one, and whatever a request names is found through it. One person
# works in a house as yet, so that is all of the house; nobody logs in.
class Actor
  # @return [String, nil] the name that signs what they change
  attr_reader :who

  # @return [String, nil] a random mark of the window that they act in
  attr_reader :window

  # @return [String, nil] the HouseVersion of the page that it shows
  attr_reader :seen

  def initialize(who: nil, window: nil, seen: nil) = (@who, @window, @seen = who, window, seen)

  def projects = Project.all

  # Palettes belong to the house, and any project may use them.
  def palettes = Palette.all

  def groups = Group.where(palette: palettes)

  def swatches = Swatch.where(group: groups)

  def outfits = Outfit.where(palette: palettes)

  # Libraries belong to it, too.
  def libraries = Library.standing

  # Of the editions that stand.
  def entries = Entry.joins(:library).merge(Library.where(removed_at: nil)).where("entries.edition = libraries.edition")

  # And presses.
  def conditions = Condition.standing

  # @return [Project]
  # @raise [ActiveRecord::RecordNotFound]
  def project(id) = projects.find(id)

  def palette(id) = palettes.find(id)

  def group(id) = groups.find(id)

  def swatch(id) = swatches.find(id)

  def outfit(id) = outfits.find(id)

  def library(id) = libraries.find(id)

  def condition(id) = conditions.find(id)

  # Places of artworks that stand, wherever a swatch is followed.
  def places = Place.where(artwork: artworks.where(removed_at: nil))

  # How often each swatch is followed in them.
  def reaches = Reaching.where(artwork_id: artworks.where(removed_at: nil).select(:id))

  def artworks = Artwork.where(project: projects)

  def finds = Find.where(project: projects)

  # Has nobody else changed anything since the page that this window shows was made?
  def alone?(project) = HouseVersion.new(self, project).alone?

  def changes = RecordedChange.where(project: projects)
end
