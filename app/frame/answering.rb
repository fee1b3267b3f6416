module Frame
  # Answers: addresses, ways on and back, what is told, numbers that are asked for.
  module Answering
    PLACES = {"gather" => "Gather", "palettes" => "Palettes", "dress" => "Dress", "match" => "Match", "deliver" => "Deliver"}.freeze

    # What the request asks for, by what it should be.
    # @return [Asked]
    def param = @param ||= Asked.new(params)

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
    # @return [String, nil] path and query
    def came_from = Address.of_page(request.referer)

    def go_back = redirect(to(came_from || "/"), 303)

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

    # A style with which a picture has its place before it has come, so that nothing moves then.
    # @param picture [#width, #height] px
    def room_for(picture) = "--width:#{picture.width}px;--ratio:#{picture.width.fdiv(picture.height).round(6)}"

    # The whole page, or those of its parts that are asked for. Parts that show what was
    # changed are enough where nobody else changed anything that they do not show.
    # @param view [Symbol] of the place
    def place_page(place, view)
      @place = place
      @title = PLACES[place]
      @parts = request.env["HTTP_X_PARTS"]&.split
      @parts = nil if @parts&.include?("changes") && !HouseVersion.new(actor, project).alone?
      erb view, layout: @parts ? :"shared/parts" : :layout
    end

    # What an address shows stays what it is, while it is what its version says.
    def kept_under(version)
      (param[:v] == version) ? cache_control(:private, :immutable, max_age: 31_536_000) : cache_control(:no_store)
    end

    # Is a part of the page to be made?
    def part?(name) = @parts.nil? || @parts.include?(name)

    # Says that an action changes nothing else that its page shows.
    # @param names [Array<String>] ids of parts
    def touches(*names) = request.env["magpie.touched"] = names

    # On to where the form says, if that lies in this project.
    def go_on(otherwise = nil)
      path = Address.local(param[:to])
      return redirect(to(path), 303) if path&.start_with?("/projects/#{project.id}/")
      otherwise ? redirect(to(otherwise), 303) : go_back
    end

    # The place in the interface where a find is shown.
    def at_find(find)
      readable = find.readable
      at("gather", **(readable ? readable.parameter : {}), find: find.id)
    end

    # A file's version, so that browsers fetch styles and scripts anew after an update.
    def asset(name)
      path = File.join(settings.public_folder, "build", name)
      "/build/#{name}?v=#{File.mtime(path).to_i.to_s(36)}"
    end
  end
end
