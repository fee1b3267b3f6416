# CSS names for the swatches of one exported artwork: [class, variable, name].
class SwatchNames
  def initialize = @names = {}

  def of(swatch)
    @names[swatch.id] ||= begin
      slug = Magpie::Text.slug(swatch.name, "swatch")
      slug = "#{slug}-#{swatch.id}" if @names.values.any? { |name, *| name == slug }
      [slug, "--#{slug}", swatch.name]
    end
  end
end
