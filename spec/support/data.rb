require_relative "../../config/environment"
require_relative "../../config/database"
require_relative "../../db/demo/load"
require "rack/test"
require_relative "demo_rows"

Database.migrate
DemoRows.empty

# Records in the invented scenario.
module DataSupport
  POSTER = File.binread(File.expand_path("../../db/demo/poster.svg", __dir__))

  # Whoever does it, without a name.
  def actor = Actor.new

  def hex(text) = Magpie::Notation.parse(text)

  def new_project(name = "Night open house") = Changes::StartProject.perform(actor:, name:, client: "Quillmere Observatory")

  def keep(project, name, colour, group: project.groups.first)
    Changes::KeepColour.perform(project, actor:, group:, name:, colour: hex(colour))
  end

  # Links every place that holds exactly its colour, unless others are ticked.
  def share(project, swatch, ticks: Candidates.of(actor, [swatch]).by_artwork.values.flatten.map(&:tick), limit: 0.0)
    Changes::ShareSwatches.perform(project, actor:, swatches: [swatch], ticks:, limit:)
  end

  # What is seen at every place: {place id => colour with its own opacity}
  def shown_at_places
    Place.includes(:swatch, :follow).order(:id).to_h { |place| [place.id, place.swatch&.hex || place.hex || place.kind] }
  end

  def bring_in_poster(project, name: "Poster.svg", bytes: POSTER) = Changes::BringInArtwork.perform(project, actor:, name:, bytes:)

  # Numbers of parts, by their keys.
  def numbers(artwork, *keys) = artwork.parts.where(key: keys).pluck(:position)

  def place(artwork, key, role = "fill") = artwork.places.joins(:part).find_by!(parts: {key:}, role:)

  def undo(project) = Changes::History.undo(project, actor:)

  def redo_change(project) = Changes::History.redo(project, actor:)

  # Undo brings every row back, and redo does it again.
  def undone
    before = rows_of_everything
    yield
    after = rows_of_everything
    undo(project)
    expect(rows_of_everything).to eq before
    redo_change(project)
    expect(rows_of_everything).to eq after
  end

  # Every row that undo must bring back, as the database holds it.
  def rows_of_everything
    %w[follows swatches groups palettes uses finds places sources own_tiles artworks outfits patches parts conditions boards variants].to_h do |table|
      rows = Record.connection.select_values("SELECT to_jsonb(t) FROM #{table} t ORDER BY id").map { |row| JSON.parse(row) }
      [table, rows.map { |row| row.key?("removed_at") ? row.merge("removed_at" => !row["removed_at"].nil?) : row }]
    end
  end
end

RSpec.configure do |config|
  config.include DataSupport
  config.include Rack::Test::Methods, file_path: %r{/spec/(routes|fuzz)/}

  # Nothing that an example writes stays.
  config.around(:each, :data) do |example|
    DemoRows.clear
    Record.transaction(joinable: false) do
      example.run
      raise ActiveRecord::Rollback
    end
  end
end
