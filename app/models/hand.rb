# What a visitor has in hand in a project, what was in it before, and what they chose
# there. It belongs to the person, not to the project, so it is no change and is not
# undone. In a request it is written last, after all other rows (see Frame::Once).
class Hand < Record
  belongs_to :project

  # @!attribute colour [Magpie::Color]
  # @!attribute swatch_id [Integer, nil] when it is a swatch
  # @!attribute css [String, nil] of a gradient or pattern, which has no one colour
  # @!attribute find_id [Integer, nil] when it is a find
  # @!attribute entry_id [Integer, nil] when it is an entry of a library
  Content = Struct.new(:name, :colour, :swatch_id, :find_id, :entry_id, :css, keyword_init: true) do
    def self.of_swatch(swatch) = new(name: swatch.name, colour: swatch.colour, swatch_id: swatch.id, css: swatch.paint && swatch.css)

    def self.of_find(find) = new(name: find.name, colour: find.colour, find_id: find.id)

    def self.of_entry(entry) = new(name: entry.name, colour: entry.colour, entry_id: entry.id)

    def data = {name:, colour: colour.to_h, swatch_id:, find_id:, entry_id:}.compact

    def hex = colour.hex
  end

  # A browser that only looks leaves nothing behind: the row comes with the first use.
  # @param visitor [String] the mark of the browser
  def self.of(project, visitor) = find_by(project_id: project.id, visitor:) || new(project:, visitor:)

  # A swatch in hand is always the swatch as it is now.
  def content(slot = :now)
    data = self[slot] or return
    swatch = Swatch.find_by(id: data["swatch_id"]) if data["swatch_id"]
    return Content.of_swatch(swatch) if swatch
    Content.new(name: data["name"], colour: Magpie::Color.from_h(data["colour"]), find_id: data["find_id"], entry_id: data["entry_id"])
  end

  # Tells whether something else is in hand.
  def mark = Digest::SHA256.hexdigest([now, content&.hex].to_json)[0, 12]

  # Is it what a form showed, or what the window of the form has put there since?
  # @param mark [String, nil] that the form showed; nil where it showed none
  # @param window [String, nil] see Actor#window
  def as_shown?(mark, window) = mark.nil? || mark == self.mark || (!window.nil? && window == held_in)

  # @param window [String, nil] where it is done
  def hold(content, window = nil) = (content.data.as_json == now) ? self.held_in = window : put(content.data.as_json, now || before, window)

  def swap(window = nil) = (put(before, now, window) if before)

  # @param chosen [Hash{String => Object}]
  def choose(chosen)
    @chosen = {**@chosen.to_h, **chosen}
    self.choices = choices.merge(chosen)
  end

  # Writes what was put in it and chosen. Another window may be choosing something else
  # at the same moment: only these choices change.
  def settle
    put = now_changed? || before_changed? || held_in_changed?
    return unless put || @chosen
    update = "now = EXCLUDED.now, before = EXCLUDED.before, held_in = EXCLUDED.held_in, version = hands.version + 1, " if put
    given = {project_id:, visitor:, held_in:, now: now&.to_json, before: before&.to_json, version: put ? 1 : 0, chosen: @chosen.to_h.to_json}
    Record.connection.execute(Record.sanitize_sql([<<~SQL, given]))
      INSERT INTO hands (project_id, visitor, held_in, now, before, version, choices) VALUES (:project_id, :visitor, :held_in, :now, :before, :version, :chosen)
      ON CONFLICT (project_id, visitor) DO UPDATE SET #{update}choices = hands.choices || EXCLUDED.choices, used_at = now()
    SQL
    @chosen = nil
    changes_applied
  end

  private

  def put(content, last, window) = assign_attributes(now: content, before: last, held_in: window)
end
