# What every page needs: the project, the visitor, the hand, notices, the way back.
module PageHelpers
  PLACES = {"gather" => "Gather", "palettes" => "Palettes", "dress" => "Dress", "deliver" => "Deliver"}.freeze

  # The project that the address names.
  def project = @project ||= Project.find(Integer(params[:project], exception: false) || 0)

  def palettes = @palettes ||= project.palettes.includes(:groups).to_a

  # Those, and what is opened beside them without being used here.
  def shown_palettes
    @shown_palettes ||= begin
      opened = params[:open].to_s.split(",").first(20).map { |id| number(id) } - palettes.map(&:id)
      palettes + (opened.any? ? Palette.where(id: opened).includes(:groups).order(:id).to_a : [])
    end
  end

  def groups = palettes.flat_map(&:groups)

  # What is drawn of the swatches of all palettes shown, by group.
  def chips = @chips ||= Chip.of_groups(shown_palettes.flat_map { |palette| palette.groups.map(&:id) })

  def chips_in(palette) = palette.groups.flat_map { |group| chips[group.id] }

  # Those that the project uses, and those that are shown.
  def used_chips = @used_chips ||= palettes.flat_map { |palette| chips_in(palette) }

  def shown_chips = @shown_chips ||= shown_palettes.flat_map { |palette| chips_in(palette) }

  # The palette that new groups go to: that of the group chosen in the hand.
  def palette_for_groups
    palettes.find { |each| each.groups.any? { |group| group.id == session[:group] } } || palettes.first || raise(Magpie::Error, "The project has no palette to keep them in")
  end

  # A swatch of the house: palettes belong to it, and any project may open them.
  def swatch(id) = Swatch.find(number(id))

  def hand = @hand ||= Hand.find_by(project:, visitor:) || Hand.create_or_find_by!(project:, visitor:)

  # Who this is: a random mark in the session, since the hand is a person's own.
  def visitor = session[:visitor] ||= SecureRandom.hex(8)

  # For forms that use what is in hand: they say what they showed.
  def shown_in_hand = %(<input type="hidden" name="held" value="#{hand.mark}">)

  # What is in hand, if it is still what the form showed.
  # @raise [Magpie::Error]
  def held
    content = hand.content or raise Magpie::Error, "There is nothing in hand. Click a picture or a swatch first"
    return content if params[:held].nil? || params[:held] == hand.mark
    raise Magpie::Error, "Another window has put something else in hand meanwhile: #{content.name} #{content.hex}. Nothing was done. Look, and do it again"
  end

  def finds = @finds ||= project.finds.includes(:source, :artwork).limit(60).to_a

  def reach = @reach ||= Swatch.reach(used_chips.map(&:id))

  # @return [Integer] 0 for what is no number, which no record has
  def number(text) = Integer(text.to_s, 10, exception: false) || 0

  # The session is a cookie. An answer that writes it undoes what other answers wrote
  # since its request came in, so only pages and changes write it: a panel that comes
  # late must not take back the words about what was just kept.
  def keep_session = request.session_options[:skip] = false

  # A page that asks for itself again, by the way: it neither takes the words that wait
  # for the answer to a change, nor writes the session.
  def refreshing? = request.env.key?("HTTP_X_REFRESH")

  def tell(words, kind = :done)
    keep_session
    session[:notice] = {"words" => words[0, 600], "kind" => kind.to_s}
  end

  def notice = @notice ||= session.delete(:notice)

  # Where the person was, on this site only.
  def go_back(otherwise = "/")
    from = URI.parse(request.referer.to_s)
    redirect to(from.path.to_s.start_with?("/") ? [from.path, from.query].compact.join("?") : otherwise), 303
  rescue URI::InvalidURIError
    redirect to(otherwise), 303
  end

  def at(place, **query)
    query = query.compact
    "/projects/#{project.id}/#{place}#{"?#{Rack::Utils.build_query(query)}" unless query.empty?}"
  end

  # This page with other parameters.
  def here(**changed)
    query = request.GET.transform_keys(&:to_sym).merge(changed).compact
    "#{request.path}#{"?#{Rack::Utils.build_query(query)}" unless query.empty?}"
  end

  def count(number, word) = Magpie::Text.count(number, word)

  def place_page(place, view)
    @place = place
    @title = PLACES[place]
    erb :"#{place}/#{view}"
  end

  # Uploaded files as [[name, bytes]].
  def uploads(field)
    Array(params[field]).flat_map { |file| file.is_a?(Hash) ? [file] : [] }.select { |file| file[:tempfile] }
      .map { |file| [Magpie::Text.name(file[:filename].to_s.dup.force_encoding("UTF-8")), file[:tempfile].read.b] }
  end

  # Brings uploaded files in one by one, so that a bad one does not keep the others out.
  # @param change [Class] takes name: and bytes:
  # @return [[records], [messages]]
  def bring_in(change, **given)
    files = uploads(:files)
    raise Magpie::Error, "No file came in. Choose one or more" if files.empty?
    came, failed = [], []
    files.each do |name, bytes|
      came << change.perform(project, name:, bytes:, **given)
    rescue Magpie::Error => error
      failed << error.message
    end
    [came, failed]
  end

  # What became of them, in words, and on to the last; back where nothing came in.
  def tell_what_came(sentences, failed, path)
    tell [*failed, *sentences].join(". "), failed.any? ? :wrong : :done
    path ? redirect(to(path), 303) : go_back
  end

  # On to where the form says, if that lies in this project.
  def go_on(otherwise = nil)
    path = params[:to].to_s
    return redirect(to(path), 303) if path.start_with?("/projects/#{project.id}/")
    otherwise ? redirect(to(otherwise), 303) : go_back
  end

  # A fragment's version, so that browsers fetch styles and scripts anew after an update.
  def asset(name)
    path = File.join(settings.public_folder, "build", name)
    "/build/#{name}?v=#{File.mtime(path).to_i.to_s(36)}"
  end
end
