# What every page needs: the project, the visitor, the hand, notices, the way back.
module PageHelpers
  PLACES = {"gather" => "Gather", "palettes" => "Palettes", "dress" => "Dress", "deliver" => "Deliver"}.freeze

  # The project that the address names.
  def project = @project ||= Project.find(Integer(params[:project], exception: false) || 0)

  def palettes = @palettes ||= project.palettes.includes(groups: :swatches).to_a

  def groups = palettes.flat_map(&:groups)

  # A swatch of the project's palettes.
  def swatch(id) = Swatch.joins(group: {palette: :uses}).readonly(false).find_by!(id: number(id), uses: {project_id: project.id})

  def hand = @hand ||= Hand.find_by(project:, visitor:) || Hand.create_or_find_by!(project:, visitor:)

  # Who this is: a random mark in the session, since the hand is a person's own.
  def visitor = session[:visitor] ||= SecureRandom.hex(8)

  def finds = @finds ||= project.finds.includes(:source).limit(60).to_a

  def reach = @reach ||= Swatch.reach(palettes.flat_map { |palette| palette.groups.flat_map { |group| group.swatches.map(&:id) } })

  # @return [Integer] 0 for what is no number, which no record has
  def number(text) = Integer(text.to_s, 10, exception: false) || 0

  def tell(words, kind = :done) = session[:notice] = {"words" => words[0, 600], "kind" => kind.to_s}

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

  def token = %(<input type="hidden" name="authenticity_token" value="#{Rack::Protection::AuthenticityToken.token(session)}">)

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
  def bring_in(change)
    files = uploads(:files)
    raise Magpie::Error, "No file came in. Choose one or more" if files.empty?
    came, failed = [], []
    files.each do |name, bytes|
      came << change.perform(project, name:, bytes:)
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
