require_relative "pictures"
require_relative "more"
require_relative "boards"

# The demo project: Quillmere Observatory, "Night open house".
module Demo
  GROUPS = {
    "Dusk sky" => ["Ramp, hue turns from violet to amber", {
      "Zenith indigo" => "#231F55", "Plum hour" => "#5F3566", "Rosehip" => "#A35166", "Ember sky" => "#E46F58",
      "Coral" => "#E2705A", "Apricot" => "#F3BA70", "Last light" => "#FBDEA9"
    }],
    "Night ground" => ["From the moor to the dome", {
      "Peat" => "#121720", "Moor" => "#1D2432", "Slate dome" => "#6E7384", "Mist" => "#A9ADB8", "Moonwash" => "#E0E1E8"
    }],
    "Brass and glass" => ["Accents, a few small places only", {
      "Tarnish" => "#6B4A20", "Orrery brass" => "#B88A33", "Lamp" => "#FFCE5C", "Nebula teal" => "#2F8FA3", "Ion pink" => "#C24E86"
    }]
  }.freeze
  LOOSE = ["Coral", "Ion pink"].freeze
  # Places on the pictures that show finds: [picture, x, y].
  FINDS = [
    ["Nebula plate", 505, 250], ["Nebula plate", 1210, 540], ["Orrery brass", 1240, 640], ["Orrery brass", 150, 120],
    ["Dusk over the dome", 1072, 690], ["Dusk over the dome", 1150, 860], ["Dusk over the dome", 262, 158],
    ["Dusk over the dome", 520, 396], ["Dusk over the dome", 206, 612], ["Dusk over the dome", 620, 720]
  ].freeze
  # Swatches that began as one of these finds, by its number.
  ORIGINS = {"Plum hour" => 1, "Lamp" => 4, "Moor" => 5}.freeze

  module_function

  # @param whole [Boolean] also what specs of screens do without: two artworks more, another
  #   palette, colourways
  def load(whole: true)
    Record.transaction do
      project = Changes::StartProject.perform(actor: Actor.new, name: "Night open house", client: "Quillmere Observatory", palette: false)
      palette = palette(project)
      pictures(project)
      %w[poster badge].each { |name| artwork(project, palette, name) }
      more(project, palette) if whole
      RecordedChange.where(project:).delete_all # the demo is where work begins, not something to undo
    end
  end

  # Everything that projects made; nothing else is in the database.
  def clear
    tables = %w[variants boards patches entries libraries answers visitors works watches imports changes hands repainted reaches follows places outfits parts artworks swatches finds sources groups uses palettes own_tiles tiles drawn_pictures projects conditions blobs]
    Record.connection.execute("TRUNCATE #{tables.join(", ")} RESTART IDENTITY; DELETE FROM settings WHERE key = '#{Condition::HOUSE}'")
    Condition.ship
  end

  def palette(project)
    palette = Palette.create!(name: "Quillmere house")
    Use.create!(project:, palette:, position: 1)
    groups(palette, GROUPS)
    Changes::StartProject.starters(palette)
    palette
  end

  def groups(palette, groups)
    groups.each.with_index(1) do |(name, (note, colours)), position|
      group = Group.create!(palette:, name:, note:, position:)
      colours.each.with_index(1) { |(swatch, hex), at| Swatch.create!(group:, name: swatch, colour: Magpie::Notation.parse(hex), definition: hex, shared: !LOOSE.include?(swatch), position: at) }
    end
  end

  def pictures(project)
    sources = Pictures.all.to_h { |name, bytes| [name, Changes::BringInSource.perform(project, actor: Actor.new, name: "#{name}.png", bytes:)] }
    FINDS.each { |picture, x, y| Changes::TakeReading.perform(project, actor: Actor.new, readable: sources[picture], aim: Aim.new(way: "square", x:, y:, size: 5)) }
    finds = project.finds.reorder(:id).to_a
    ORIGINS.each { |name, number| project.swatches.find_by!(name:).update!(find: finds[number]) }
  end

  # Paints places with a swatch.
  # @param places [ActiveRecord::Relation]
  def link(places, swatch)
    ids = places.ids
    return if ids.empty?
    Place.where(id: ids).update_all(Place::PAINTED)
    Follow.insert_all!(ids.map { |id| {place_id: id, swatch_id: swatch.id} })
  end

  # Dressed from the palette: every place that holds a shared swatch's colour follows it.
  def artwork(project, palette, name)
    artwork = Changes::BringInArtwork.perform(project, actor: Actor.new, name: "#{name}.svg", bytes: File.binread(File.join(__dir__, "#{name}.svg")))
    palette.swatches.where(shared: true).each do |swatch|
      link(artwork.places.where(hex: swatch.hex), swatch)
    end
  end
end
