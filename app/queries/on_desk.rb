# What nearly every page of a project shows, by statements that stand as they are: to put
# a relation into words takes Active Record several times as long as the database takes
# to answer it (docs/performance.md).
class OnDesk
  # @param project [Project]
  def initialize(project) = @project = project

  # @return [Array<Palette>] with their groups
  def palettes
    OnDesk.with_groups(Palette.find_by_sql(["SELECT p.* FROM palettes p JOIN uses u ON u.palette_id = p.id WHERE u.project_id = ? ORDER BY u.position", @project.id]))
  end

  # @param palettes [Array<Palette>]
  def self.with_groups(palettes)
    return palettes if palettes.empty?
    groups = Group.find_by_sql("SELECT * FROM groups WHERE palette_id = ANY(#{Record.array(palettes.map(&:id))}) ORDER BY position, id").group_by(&:palette_id)
    palettes.each { |palette| palette.association(:groups).target = groups.fetch(palette.id, []) }
  end

  # @return [Array<Source>] also those that were removed, which finds may be from
  def all_sources = @all_sources ||= Source.find_by_sql(["SELECT * FROM sources WHERE project_id = ? ORDER BY position, id", @project.id])

  # @return [Array<Artwork>]
  def all_artworks = @all_artworks ||= Artwork.find_by_sql(["SELECT * FROM artworks WHERE project_id = ? ORDER BY position, id", @project.id])

  def sources = all_sources.reject(&:removed_at)

  # In their order, without colourways.
  def artworks = all_artworks.reject { |each| each.removed_at || each.colourway? }

  # @return [Hash{Integer => Array<Artwork>}] the colourways of each artwork but the first
  def colourways = @colourways ||= all_artworks.reject { |each| each.removed_at || !each.colourway? }.group_by(&:first_id)

  # Finds that stand, newest first, with what they are from.
  # @param only [String] a condition in SQL, with its values
  # @return [Array<Find>]
  def finds(most: nil, only: "TRUE", **values)
    found = Find.find_by_sql([<<~SQL, {project: @project.id, most:, **values}])
      SELECT * FROM finds WHERE project_id = :project AND removed_at IS NULL AND #{only} ORDER BY id DESC LIMIT :most
    SQL
    found.each { |find| from(find, :source, :all_sources) && from(find, :artwork, :all_artworks) }
  end

  private

  def from(find, name, all)
    id = find["#{name}_id"]
    find.association(name).target = (send(all).find { |each| each.id == id } if id)
    true
  end
end
