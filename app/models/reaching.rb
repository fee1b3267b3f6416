# How many places of an artwork follow a swatch. The database counts along
# (db/migrate, "repainted"); nobody else writes it.
class Reaching < Record
  self.table_name = "reaches"
  self.primary_key = %i[swatch_id artwork_id]

  belongs_to :artwork
end
