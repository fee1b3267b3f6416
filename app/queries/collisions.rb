# Names of a file that a palette has already, with another colour.
module Collisions
  module_function

  # @param value [Magpie::Palette] of the file
  # @param palette [Palette, nil] that it is to come into
  # @return [Array<[String, Swatch, Magpie::Palette::Swatch, Magpie::Palette::Group]>]
  #   "group index.swatch index" as BringInPalette takes it, ours, theirs, and its group
  def of(value, palette)
    ours = palette ? palette.groups.includes(:swatches).to_h { |group| [group.name.downcase, group.swatches.index_by { |swatch| swatch.name.downcase }] } : {}
    value.groups.each_with_index.flat_map do |group, g|
      group.swatches.each_with_index.filter_map do |swatch, s|
        existing = ours.dig(group.name.downcase, swatch.name.downcase)
        ["#{g}.#{s}", existing, swatch, group] if existing && existing.colour != swatch.colour
      end
    end
  end
end
