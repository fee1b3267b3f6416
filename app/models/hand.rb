# What a visitor has in hand in a project, and what was in it before. It belongs to
# the person, not to the project, so it is no change and is not undone.
class Hand < Record
  belongs_to :project

  # @!attribute colour [Magpie::Color]
  # @!attribute swatch_id [Integer, nil] when it is a swatch
  # @!attribute css [String, nil] of a gradient or pattern, which has no one colour
  # @!attribute find_id [Integer, nil] when it is a find
  Content = Struct.new(:name, :colour, :swatch_id, :find_id, :css, keyword_init: true) do
    def self.of_swatch(swatch) = new(name: swatch.name, colour: swatch.colour, swatch_id: swatch.id, css: swatch.paint && swatch.css)

    def self.of_find(find) = new(name: find.name, colour: find.colour, find_id: find.id)

    def data = {name:, colour: colour.to_h, swatch_id:, find_id:}.compact

    def hex = colour.hex
  end

  # A swatch in hand is always the swatch as it is now.
  def content(slot = :now)
    data = self[slot] or return
    swatch = Swatch.find_by(id: data["swatch_id"]) if data["swatch_id"]
    return Content.of_swatch(swatch) if swatch
    Content.new(name: data["name"], colour: Magpie::Color.from_h(data["colour"]), find_id: data["find_id"])
  end

  # Tells whether something else is in hand.
  def mark = Digest::SHA256.hexdigest([now, content&.hex].to_json)[0, 12]

  def hold(content)
    return if content.data.as_json == now
    update!(now: content.data, before: now || before)
  end

  # Another window may be choosing something else at the same moment: only these change.
  # @param chosen [Hash{String => Object}]
  def choose(chosen)
    Hand.where(id:).update_all(["choices = choices || ?::jsonb", JSON.generate(chosen)])
    reload
  end

  def swap = before && update!(now: before, before: now)
end
