# The rest of the demo: libraries, the ticket and the star trail, the poster's colourways, and the outfit
# that stars wear.
module Demo
  # The palette of the children's trail, and of the winter months.
  TRAIL = {
    "Winter hours" => ["November to February", {"Frost night" => "#0F2B3A", "Deep tarn" => "#1B4A5A", "Glacier" => "#85C2BD", "Snow light" => "#DCEBDD"}],
    "Trail" => ["For the children's map", {"Signpost" => "#F2545B", "Fern" => "#3E8E5A", "Puddle" => "#4F9BD9"}]
  }.freeze
  # Patterns whose inks follow: [form, angle, repeat, inks].
  WEAVES = {
    "Dome tartan" => ["tartan", 45.0, 30.0, ["Nebula teal", "Apricot", "Slate dome", "Last light"]], "Moor tartan" => ["tartan", 45.0, 30.0, ["Rosehip", "Last light", "Slate dome", "Apricot"]],
    "Star cloth" => ["stars", 0.0, 20.0, ["Zenith indigo", "Lamp", "Apricot"]], "Deck chair" => ["stripes", 0.0, 14.0, ["Ember sky", "Last light"]]
  }.freeze

  # What gives way to what, by the keys of the poster's parts: [swatch, keys].
  WINTER = {"Frost night" => %w[night_sky], "Deep tarn" => %w[plum_band], "Nebula teal" => %w[rosehip_band], "Glacier" => %w[ember_band], "Snow light" => %w[apricot_band]}.freeze
  DAYTIME = {
    "Last light" => %w[night_sky title], "Apricot" => %w[plum_band], "Ember sky" => %w[rosehip_band dome_slit], "Rosehip" => %w[ember_band], "Plum hour" => %w[apricot_band],
    "Zenith indigo" => %w[moor], "Moonwash" => %w[dome_roof], "Mist" => %w[dome_wall]
  }.freeze

  # Libraries of the house, and what their files do not say of them.
  LIBRARIES = {
    "tarn-and-fell.icc" => {condition: "on masonry", note: "Two coats on primed render. Darker columns fade first on south walls."}, "lantern-enamel.cxf" => {note: "Fired twice at 780 °C"},
    "bothy-cut-film.cgats" => {condition: "opaque, on white", note: "Press values are the maker's, for coated paper"}, "css-named-colours.css" => {condition: "on screens", note: "CSS Color Module Level 4, section 6.1"}
  }.freeze

  module_function

  def more(project, palette)
    libraries(project)
    trail = trail(project)
    %w[ticket star_trail].each { |name| artwork(project, palette, name) }
    poster = project.artworks.firsts.find_by!(name: "Poster")
    weaves(project, palette)
    starlight(project, palette)
    enamel(palette)
    colourway(project, poster, "Winter hours", "For November to February, when the dome opens at five", WINTER)
    colourway(project, poster, "Daytime", "For the school visits", DAYTIME)
    boards(project)
    trail
  end

  # Through the readers, as anybody's.
  def libraries(project)
    LIBRARIES.each do |name, about|
      import = Changes::OpenFile.palette(project, actor: Actor.new, name:, bytes: File.binread(File.join(__dir__, "libraries", name)))
      value, = Magpie::Library::Codes.apart(Opened.result(import).palette)
      library = Changes::BringInLibrary.perform(project, actor: Actor.new, value:, about:, file: {file: name, sha256: import.sha256})
      import.update!(brought_at: Time.now, library:)
    end
  end

  def trail(project)
    palette = Palette.create!(name: "Star trail")
    Use.create!(project:, palette:, position: project.uses.maximum(:position) + 1)
    groups(palette, TRAIL)
    palette
  end

  def weaves(project, palette)
    group = Group.create!(palette:, name: "Weaves and tiles", note: "For cloth and enamel", position: palette.groups.maximum(:position) + 1)
    WEAVES.each do |name, (form, angle, size, inks)|
      followed = inks.map { |ink| palette.swatches.find_by!(name: ink) }
      paint = Magpie::Palette::Compound.new(form:, angle:, size:, inks: followed.map { |swatch| Magpie::Palette::Compound::Ink.new(colour: swatch.colour, reference: swatch.id, offset: 0.0) })
      Changes::KeepPaint.perform(project, actor: Actor.new, paint:, group:, name:)
    end
  end

  # Ember sky in an edge of Peat, for whatever is enamelled.
  def enamel(palette)
    outfit = Outfit.create!(palette:, name: "Enamel edge", position: palette.outfits.maximum(:position).to_i + 1)
    {"fill" => ["Ember sky", {opacity: 1.0}], "line" => ["Peat", {width: 9.0, side: "inside", join: "round"}]}.each do |role, (name, settings)|
      id = Place.insert_all!([{outfit_id: outfit.id, role:, kind: "colour", opacity: 1.0, settings:}], returning: :id).first["id"]
      Follow.create!(place_id: id, swatch: palette.swatches.find_by!(name:))
    end
  end

  # Lamp with a thin glow, kept from the poster and worn in three artworks.
  def starlight(project, palette)
    stars = project.artworks.firsts.where(name: %w[Poster Badge Ticket]).to_h { |each| [each, each.parts.where("key ~ '^(stars|enamel|sparks)/'").pluck(:position)] }
    artwork, numbers = stars.first
    dress = {artwork:, numbers:, actor: Actor.new}
    Changes::DressParts.perform(project, **dress, role: "line", content: Hand::Content.of_swatch(palette.swatches.find_by!(name: "Last light")))
    Changes::SetOpacity.perform(project, **dress, role: "line", opacity: 0.45)
    Changes::SetSettings.perform(project, **dress, settings: {width: 3.0})
    outfit = Changes::KeepOutfit.perform(project, **dress, palette:, name: "Starlight")
    stars.drop(1).each { |other, parts| Changes::WearOutfit.perform(project, artwork: other, numbers: parts, actor: Actor.new, outfit:) }
  end

  def colourway(project, poster, name, note, given)
    way = Changes::AddColourway.perform(project, actor: Actor.new, artwork: poster, name:, note:)
    given.each do |swatch, keys|
      content = Hand::Content.of_swatch(project.swatches.find_by!(name: swatch))
      Changes::DressParts.perform(project, actor: Actor.new, artwork: way, numbers: poster.parts.where(key: keys).pluck(:position), role: "fill", content:)
    end
  end
end
