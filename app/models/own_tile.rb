# A tile of somebody's own in the list of a project.
class OwnTile < Record
  belongs_to :project
  belongs_to :tile, foreign_key: :form, primary_key: :form
end
