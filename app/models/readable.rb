# What colours can be read from: a source, or an artwork as it is seen.
module Readable
  # Its address within a project.
  def path = "#{self.class.table_name}/#{id}"

  # {source: 3}, as pages are asked for.
  def parameter = {self.class.name.downcase.to_sym => id}
end
