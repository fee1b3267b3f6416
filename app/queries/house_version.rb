# Tells whether anybody changed anything in the house since: it is another with every
# change, undo and redo.
module HouseVersion
  # @param actor [Actor]
  # @return [String]
  def self.of(actor) = actor.changes.pick(Arel.sql("concat_ws('-', max(id), max(undone_at), count(undone_at))")).to_s
end
