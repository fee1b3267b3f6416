# A palette that a project works with. Palettes belong to the house.
class Use < Record
  belongs_to :project
  belongs_to :palette
end
