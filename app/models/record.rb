# What every table's class is built on.
class Record < ActiveRecord::Base
  self.abstract_class = true

  # A column that holds a Magpie::Color, exactly, as JSON.
  class ColourType < ActiveRecord::Type::Json
    def deserialize(value) = value && Magpie::Color.from_h(JSON.parse(value))

    def cast(value) = value.is_a?(Hash) ? Magpie::Color.from_h(value) : value

    def serialize(value) = value && JSON.generate(value.to_h)

    def changed_in_place?(*) = false # colours are immutable
  end
end
