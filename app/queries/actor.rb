# Who asks for something or changes it, and what they may touch: every query and every
# change is given one, and whatever a request names is found through it. One person
# works in a house as yet, so that is all of the house; nobody logs in.
class Actor
  # @return [String, nil] the name that signs what they change
  attr_reader :who

  def initialize(who: nil) = @who = who

  def projects = Project.all

  # Palettes belong to the house, and any project may use them.
  def palettes = Palette.all

  def groups = Group.where(palette: palettes)

  def swatches = Swatch.where(group: groups)

  # @return [Project]
  # @raise [ActiveRecord::RecordNotFound]
  def project(id) = projects.find(id)

  def palette(id) = palettes.find(id)

  def group(id) = groups.find(id)

  def swatch(id) = swatches.find(id)

  # Places of artworks that stand, wherever a swatch is followed.
  def places = Place.where(artwork: artworks.where(removed_at: nil))

  def artworks = Artwork.where(project: projects)

  def finds = Find.where(project: projects)

  def changes = RecordedChange.where(project: projects)
end
